<?php

declare(strict_types=1);

namespace Tests;

use Apalos\Core\Tests\Mesh\Shapes;
use App\Models\Job;
use App\Models\ModelFile;
use App\Models\Study;
use App\Studies\StudyDesk;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;

/** Models on their way in and questions to them, as a screen sends them. */
trait StudiesModels
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        Queue::fake();
    }

    private function sent(string $bytes, string $name, ?Job $job = null): ModelFile
    {
        foreach (str_split($bytes, 1000) as $i => $piece) {
            $this->call('PUT', '/study/uploads/upload-0001?at='.(1000 * $i), content: $piece)->assertOk();
        }
        $id = $this->postJson('/study', ['upload' => 'upload-0001', 'name' => $name, ...($job === null ? [] : ['job' => $job->id])])
            ->assertOk()
            ->json('id');

        return ModelFile::query()->findOrFail($id);
    }

    private function ball(?Job $job = null): ModelFile
    {
        return $this->sent(Shapes::stl(Shapes::sphere(30.0, 16)), 'ball.stl', $job);
    }

    /** @return array<string, mixed> */
    private function asked(ModelFile $file, mixed ...$what): array
    {
        $id = $this->postJson("/study/{$file->id}/ask", ['pull' => '0,0,1', 'pour' => '0,0,1', ...$what])->assertOk()->json('id');
        // The worker's part: a page never studies anything itself.
        app(StudyDesk::class)->answer(Study::query()->with('modelFile')->findOrFail($id));
        $answer = $this->getJson("/studies/{$id}/state")->assertOk()->json();
        self::assertIsArray($answer);

        return $answer;
    }

    private function job(bool $withMould = false): Job
    {
        $job = Job::query()->create(['workshop_id' => $this->workshop->id, 'name' => 'Ball', 'quantity' => 3]);
        foreach ([
            ['original', 'Print', null], ...($withMould ? [['mould', 'Glove', 'pr-25']] : []), ['cast', 'Balls', 'pr-10'],
        ] as $i => [$kind, $name, $material]) {
            $job->impressions()->create([
                'kind' => $kind, 'name' => $name, 'material' => $material, 'position' => $i,
                'surface' => $kind === 'original' ? 'wax' : null,
            ]);
        }

        return $job;
    }
}
