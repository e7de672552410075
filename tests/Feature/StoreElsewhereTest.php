<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Tests\Mesh\Shapes;
use App\Exchange\Everything;
use App\Models\ModelFile;
use App\Models\Study;
use App\Storage\Files;
use App\Studies\StudyDesk;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Queue;
use Symfony\Component\Process\Process;
use Tests\MakesSwatches;
use Tests\TestCase;
use ZipArchive;

/** Pictures and models in a store that speaks S3, where several servers find them: nothing is left on one of them. */
final class StoreElsewhereTest extends TestCase
{
    use MakesSwatches;

    private Process $store;

    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/apalos-store-'.getmypid();
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: self::fail('No port is free.');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        $this->store = new Process(
            [
                PHP_BINARY, '-d', 'post_max_size=200M', '-d', 'memory_limit=512M', '-S', "127.0.0.1:{$port}",
                base_path('tests/Many/store.php'),
            ],
            null, ['STORE_FOLDER' => $this->folder],
        );
        $this->store->start();
        for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', $port) === false; $i++) {
            usleep(20_000);
        }
        config([
            'filesystems.default' => 's3',
            'filesystems.disks.s3' => [
                ...config()->array('filesystems.disks.s3'), 'key' => 'bench', 'secret' => 'bench', 'endpoint' => "http://127.0.0.1:{$port}",
            ],
        ]);
        $this->another();
    }

    protected function tearDown(): void
    {
        $this->store->stop(1.0);
        array_map(
            unlink(...),
            glob("{$this->folder}/{,.}*", GLOB_BRACE | GLOB_NOSORT)
                ? array_filter(glob("{$this->folder}/{,.}*", GLOB_BRACE) ?: [], is_file(...))
                : [],
        );
        @rmdir($this->folder);
        $this->another();
        parent::tearDown();
    }

    /** Another server: what one of them has at hand it has to fetch. */
    private function another(): void
    {
        // Copies only: beside them lies what other tests are working on, under names that begin with a w.
        array_map(unlink(...), glob(storage_path('framework/cache/files/[0-9a-f]*.*')) ?: []);
    }

    public function test_a_photo_kept_at_one_server_is_seen_at_another(): void
    {
        $puck = $this->puck(30.0, '00', 43.0);
        $this->post("/swatches/{$puck->id}", ['name' => 'Puck', 'note' => '', 'photo' => self::picture()])->assertSessionHasNoErrors();
        $this->another();
        $answer = $this->get("/swatches/{$puck->id}/photo")->assertOk();
        self::assertSame('image/jpeg', getimagesizefromstring($answer->streamedContent())['mime'] ?? null);
    }

    public function test_a_model_comes_in_by_pieces_at_two_servers_is_studied_at_a_third_and_goes_out_in_everything(): void
    {
        Queue::fake();
        $stl = Shapes::stl(Shapes::sphere(30.0, 24));
        foreach (str_split($stl, 40_000) as $i => $piece) {
            $this->call('PUT', '/study/uploads/upload-0001?at='.(40_000 * $i), content: $piece)->assertOk();
            $this->another();
        }
        // The answer to the last piece was lost: it comes once more, and lies where it lay.
        $last = 40_000 * intdiv(strlen($stl), 40_000);
        $this->call('PUT', "/study/uploads/upload-0001?at={$last}", content: substr($stl, $last))->assertOk();
        $file = ModelFile::query()->findOrFail(
            $this->postJson('/study', ['upload' => 'upload-0001', 'name' => 'ball.stl'])->assertOk()->json('id'),
        );
        self::assertSame(hash('sha256', $stl), $file->hash);
        self::assertSame([], Files::disk()->allFiles('uploads'));

        $this->another();
        $id = $this->postJson("/study/{$file->id}/ask", ['pull' => '0,0,1', 'pour' => '0,0,1'])->assertOk()->json('id');
        app(StudyDesk::class)->answer(Study::query()->with('modelFile')->findOrFail($id));
        $this->another();
        self::assertEqualsWithDelta(113.1, $this->getJson("/studies/{$id}/state")->assertOk()->json('answer.volume_ml'), 3.0);
        self::assertGreaterThan(1000, strlen((string) $this->get("/studies/{$id}/picture.mesh")->assertOk()->getFile()->getContent()));

        $this->another();
        $zip = new ZipArchive;
        $zip->open(app(Everything::class)->give($at = sys_get_temp_dir().'/elsewhere-'.getmypid().'.zip', CarbonImmutable::now()));
        self::assertSame($stl, $zip->getFromName("files/{$file->path()}"));
        $zip->close();
        unlink($at);
    }

    public function test_a_file_of_many_parts_is_whole(): void
    {
        $bytes = random_bytes(18 * 1024 * 1024);
        file_put_contents($work = Files::work(), $bytes);
        Files::take($work, 'models/1/large.stl');
        self::assertFileDoesNotExist($work);
        $copy = Files::here('models/1/large.stl');
        self::assertNotNull($copy);
        self::assertSame(hash('sha256', $bytes), hash_file('sha256', $copy));
        self::assertSame($copy, Files::here('models/1/large.stl'), 'fetched once');
        self::assertNull(Files::here('models/1/none.stl'));
        Files::tidy(time() + 3 * 86_400);
        self::assertFileDoesNotExist($copy);
    }
}
