<?php

declare(strict_types=1);

use App\Upgrades\LiftTicks;
use Illuminate\Database\Migrations\Migration;

/** A tick of a checklist carries what it says was done, to which mould and with what. */
return new class extends Migration
{
    public function up(): void
    {
        LiftTicks::lift();
    }

    /** What is written in it more does not disturb what was before. */
    public function down(): void {}
};
