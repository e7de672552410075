<?php

declare(strict_types=1);

namespace Database\Seeders;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mesh\MeshFormat;
use App\Models\Job;
use App\Models\ModelFile;
use App\Queue\StudyPiece;
use App\Studies\StudyDesk;
use Carbon\CarbonImmutable;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\Storage;

/** The models of the demo's pieces, each with its job; the worker studies them as soon as it is up. */
final class DemoModels extends Seeder
{
    /** @var array<string, array{string, array<string, string>}> file: job, and what its maker calls its sides */
    private const PIECES = [
        'mushroom.stl' => ['', []],
        'gasket.ply' => ['Hatch gasket', []],
        'brow.ply' => ['Owl brow', ['+y' => 'hairline', '-y' => 'eyes', '+z' => 'face', '-z' => 'skin']],
        'oar-grip.stl' => ['Skiff-oar grip', ['+x' => 'open end', '-x' => 'stop']],
        'wellington.ply' => ['Puppet wellington', ['+x' => 'toe', '-x' => 'heel', '+z' => 'top', '-z' => 'sole']],
        'crab.ply' => ['Dune crab', ['+y' => 'claws', '-y' => 'tail', '+z' => 'back', '-z' => 'belly']],
    ];

    public function run(StudyDesk $desk): void
    {
        $now = CarbonImmutable::now();
        foreach (array_keys(self::PIECES) as $i => $name) {
            [$job, $sides] = self::PIECES[$name];
            $bytes = (string) file_get_contents(__DIR__.'/../models/'.$name);
            $file = ModelFile::query()->create([
                'name' => $name, 'format' => MeshFormat::ofName($name), 'bytes' => strlen($bytes), 'hash' => hash('sha256', $bytes),
                'sides' => $sides,
                'job_id' => $job === '' ? null : Job::query()->where('name', $job)->value('id'),
                'created_at' => $now->subDays(20 - 3 * $i)->subMinutes(37 * $i),
            ]);
            $job === '' || $file->serves(Job::query()->where('name', $job)->firstOrFail(), $file->created_at);
            Storage::disk('local')->put($file->path(), $bytes);
            // Without a worker nobody waits until the best ways are found: two are said.
            config('queue.default') === 'sync'
                ? $desk->answer($desk->open($file, Fields::of(['pull' => '0,0,1', 'pour' => '0,0,1']), $now))
                : StudyPiece::dispatch($desk->open($file, Fields::of([]), $now)->id);
        }
    }
}
