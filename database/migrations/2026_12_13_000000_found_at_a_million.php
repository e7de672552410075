<?php

declare(strict_types=1);

use App\Lists\Letters;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What the log looks through grows; how long it looks does not. */
return new class extends Migration
{
    public function up(): void
    {
        Letters::keep();
        DB::statement("create index pours_faults on pours (workshop_id, id, (cast(faults as text))) where cast(faults as text) <> '[]'");
    }

    public function down(): void
    {
        Letters::leave();
        DB::statement('drop index if exists pours_faults');
    }
};
