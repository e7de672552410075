<?php

declare(strict_types=1);

use App\Database\ChangeCount;
use Illuminate\Database\Migrations\Migration;

/** Rules and moulds stand on screens that are put together once for many looks. */
return new class extends Migration
{
    public function up(): void
    {
        ChangeCount::count();
    }

    /** A count more disturbs nothing. */
    public function down(): void {}
};
