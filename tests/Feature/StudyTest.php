<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mesh\Limits;
use Apalos\Core\Tests\Mesh\Files;
use Apalos\Core\Tests\Mesh\Shapes;
use App\Models\ModelFile;
use App\Models\Role;
use App\Models\Study;
use App\People\OpenShop;
use App\People\ShopAtHand;
use App\Queue\StudyPiece;
use App\Studies\StudyDesk;
use App\Studies\TakeModelIn;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Tests\MakesPeople;
use Tests\StudiesModels;
use Tests\TestCase;

final class StudyTest extends TestCase
{
    use MakesPeople, StudiesModels;

    public function test_a_file_comes_in_piece_by_piece_and_is_studied_beside_the_bench(): void
    {
        $file = $this->ball();

        self::assertSame('ball.stl', $file->name);
        Storage::disk('local')->assertExists($file->path());
        self::assertSame([], Storage::disk('local')->files("uploads/{$this->workshop->id}"));
        Queue::assertPushed(StudyPiece::class, 1);
        $this->get("/study/{$file->id}")->assertInertia(
            static fn ($page) => $page->component('study/Study')->where('study.state', 'waiting')->where('file.format', 'STL'),
        );
        Queue::assertPushed(StudyPiece::class, 1);

        (new StudyPiece($file->studies()->firstOrFail()->id))->handle(app(StudyDesk::class));
        $this->get("/study/{$file->id}")->assertInertia(static fn ($page) => $page->where('study.state', 'done')->where(
            'study.answer.watertight', true,
        )
            ->where('study.answer.volume_ml', static fn (float $ml): bool => $ml > 0.97 * 4 / 3 * M_PI * 27 && $ml < 4 / 3 * M_PI * 27));
    }

    public function test_a_small_one_with_its_ways_said_is_answered_at_once_and_never_twice(): void
    {
        $file = $this->ball();
        $first = $this->asked($file, wall_mm: 10);
        self::assertSame('done', $first['state']);
        self::assertEqualsWithDelta(80.0, $first['answer']['mould']['inner_mm'][0], 0.2);
        self::assertSame('Pulled towards the top and the other way, nothing hides: two halves let go.', $first['answer']['words'][0]);

        self::assertSame($first['id'], $this->asked($file, wall_mm: 10)['id']);
        self::assertNotSame($first['id'], $this->asked($file, wall_mm: 11)['id']);
        self::assertSame(3, Study::query()->count(), 'The first one still waits.');
        Storage::disk('local')->assertExists([$file->mesh(), Study::query()->findOrFail($first['id'])->states()]);
        $this->get("/studies/{$first['id']}/picture.mesh")->assertOk();
        $this->get("/studies/{$first['id']}/picture.json")->assertNotFound();
    }

    /** As it was answered before something in the answering was mended. */
    public function test_what_an_earlier_edition_answered_is_asked_again_by_itself_as_it_was_asked(): void
    {
        $file = $this->ball();
        $id = $this->asked($file, wall_mm: 10)['id'];
        $shown = fn (): array => $this->get("/study/{$file->id}")->assertOk()->inertiaProps('study');
        self::assertSame([$id, 10], [$shown()['id'], $shown()['asked']['wall_mm']]);
        Study::query()->whereKey($id)->update(['mark' => 'of before', 'answer' => json_encode(['volume_ml' => 1.0])]);

        self::assertNotSame($id, $shown()['id']);
        self::assertSame(10, Study::query()->findOrFail($shown()['id'])->asked['wall_mm']);
    }

    /** What was found by itself stands beside it, and would else be missing for good. */
    public function test_so_is_what_was_found_when_all_was_left_to_be_found(): void
    {
        $file = $this->ball();
        $this->asked($file, wall_mm: 10);
        $page = fn (string $of): mixed => $this->get("/study/{$file->id}")->assertOk()->inertiaProps($of);
        $worked = static fn () => Study::query()->with('modelFile')->where('state', Study::WAITING)->get()->each(
            static fn (Study $study) => app(StudyDesk::class)->answer($study),
        );
        $worked();
        self::assertNotNull($page('first'));
        $file->studies()->get()->each(static fn (Study $study) => $study->update(['mark' => "of before {$study->id}"]));
        self::assertNull(app(StudyDesk::class)->found($file));

        self::assertSame(10, $page('study')['asked']['wall_mm'], 'What was asked last is what the page shows.');
        $asked = Study::query()->count();
        $worked();
        self::assertNotNull($page('first'));
        self::assertSame(10, $page('study')['asked']['wall_mm']);
        self::assertSame($asked, Study::query()->count(), 'Asked anew once.');
    }

    public function test_a_slider_that_asks_much_fills_no_disk(): void
    {
        $file = $this->ball();
        for ($i = 0; $i < 70; $i++) {
            app(StudyDesk::class)->open($file, Fields::of(['pull' => '0,0,1', 'pour' => '0,0,1', 'seam_mm' => $i / 2]), $this->now);
        }
        self::assertLessThanOrEqual(62, Study::query()->count());
        self::assertTrue(
            $file->studies()->get()->contains(static fn (Study $study): bool => $study->asked === []), 'What was found by itself stays.',
        );
    }

    public function test_the_same_file_under_another_name_is_the_same_model(): void
    {
        $first = $this->ball();
        $this->delete("/study/{$first->id}")->assertRedirect('/study')->assertSessionHas('undo', "/study/{$first->id}/restore");
        $this->get("/study/{$first->id}")->assertNotFound();
        $again = $this->sent(Shapes::stl(Shapes::sphere(30.0, 16)), '..\\..\\windows\\other.stl');

        self::assertSame($first->id, $again->id);
        self::assertFalse($again->refresh()->trashed());
        self::assertStringNotContainsString('windows', $again->path());
    }

    public function test_a_name_is_no_path_and_only_what_the_bench_reads_is_taken(): void
    {
        self::assertSame('piece.obj', $this->sent(Files::obj(Shapes::box(30.0, 20.0, 10.0)), '../../../etc/piece.obj')->name);
        $this->call('PUT', '/study/uploads/upload-0002?at=0', content: 'x')->assertOk();
        $this->postJson('/study', ['upload' => 'upload-0002', 'name' => 'piece.exe'])->assertStatus(422)->assertJsonPath(
            'error.message', 'Models are read as STL, OBJ, PLY, 3MF. Export it in one of these, and let the name end that way.',
        );
        $this->call('PUT', '/study/uploads/..%2F..%2Fetc?at=0', content: 'x')->assertNotFound();
        self::assertSame([], Storage::disk('local')->files("uploads/{$this->workshop->id}"));
    }

    public function test_too_much_a_missing_piece_and_nothing_at_all_are_refused(): void
    {
        $this->call(
            'PUT', '/study/uploads/upload-0003?at='.(200 * Limits::MEGABYTE), content: 'x',
        )->assertStatus(422)->assertJsonPath('error.field', 'file');
        $this->call('PUT', '/study/uploads/upload-0003?at=77', content: 'x')->assertStatus(422);
        $this->call('PUT', '/study/uploads/upload-0003?at=0', content: str_repeat('x', TakeModelIn::PIECE_BYTES + 1))->assertStatus(422);
        $this->postJson('/study', ['upload' => 'upload-0009', 'name' => 'a.stl'])->assertStatus(422)->assertJsonPath(
            'error.message', 'The file is empty. Export the model again.',
        );
    }

    public function test_a_piece_sent_again_after_a_lost_answer_lies_where_it_lay(): void
    {
        $bytes = Shapes::stl(Shapes::box(30.0, 20.0, 10.0));
        foreach ([[0, 400], [0, 400], [400, 400], [400, 284]] as [$at, $long]) {
            $this->call('PUT', "/study/uploads/upload-0004?at={$at}", content: substr($bytes, $at, $long))->assertOk();
        }
        $id = $this->postJson('/study', ['upload' => 'upload-0004', 'name' => 'box.stl'])->assertOk()->json('id');
        self::assertSame(hash('sha256', $bytes), ModelFile::query()->findOrFail($id)->hash);
    }

    public function test_a_broken_file_says_what_to_do_and_can_be_asked_again(): void
    {
        $file = $this->sent(substr(Shapes::stl(Shapes::box(30.0, 20.0, 10.0)), 0, 300), 'cut.stl');
        $answer = $this->asked($file);

        self::assertSame('refused', $answer['state']);
        self::assertStringContainsString('it was cut short. Copy or export it again.', $answer['wrong']);
        self::assertNull($answer['answer']);
        $this->get("/study/{$file->id}")->assertOk();
    }

    public function test_a_study_whose_runner_died_and_one_whose_file_is_gone_do_not_hang(): void
    {
        $file = $this->ball();
        Study::query()->where('model_file_id', $file->id)->update(['state' => Study::RUNNING]);
        self::assertSame('running', $this->postJson("/study/{$file->id}/ask", [])->json('state'), 'Somebody is at it.');
        $this->travel(11)->minutes();
        self::assertSame('waiting', $this->postJson("/study/{$file->id}/ask", [])->json('state'));

        Storage::disk('local')->delete($file->path());
        self::assertSame('The file of this model is not on the bench computer any more. Drop it in again.', $this->asked($file)['wrong']);
    }

    public function test_a_study_is_stopped_and_asked_anew(): void
    {
        $file = $this->ball();
        $waiting = $file->studies()->firstOrFail();
        $this->postJson("/studies/{$waiting->id}/stop")->assertJsonPath('state', 'cancelled');
        (new StudyPiece($waiting->id))->handle(app(StudyDesk::class));
        self::assertSame('cancelled', $waiting->refresh()->state, 'Nobody takes up what was stopped.');
        $this->postJson("/study/{$file->id}/ask", [])->assertJsonPath('state', 'waiting');
    }

    public function test_nonsense_names_its_field(): void
    {
        $file = $this->ball();
        foreach ([
            ['pull', '0,0,0'], ['pour', 'up'], ['wall_mm', -3], ['school', 'grand'], ['seam_mm', 'high'], ['float', ['mass_g' => 0]],
        ] as [$field, $value]) {
            $answer = $this->postJson("/study/{$file->id}/ask", [
                'pull' => '0,0,1', 'pour' => '0,0,1', $field => $value,
            ])->assertStatus(422);
            self::assertStringStartsWith($field, (string) $answer->json('error.field'));
        }
        $this->postJson("/study/{$file->id}/ask", ['nonsense' => 1])->assertStatus(422);
    }

    public function test_in_inches_it_is_asked_anew_and_words_follow_the_measures_of_the_shop(): void
    {
        $file = $this->sent(Shapes::stl(Shapes::box(3.0, 2.0, 1.0)), 'small.stl');
        $metric = $this->asked($file);
        self::assertContains('maybe_inches', array_column($metric['answer']['warnings'], 'code'));

        $this->from("/study/{$file->id}")->put("/study/{$file->id}", ['unit' => 'in'])->assertRedirect();
        $inches = $this->asked($file->refresh());
        self::assertEqualsWithDelta(6.0 * 16.387064, $inches['answer']['volume_ml'], 1e-3);
        self::assertSame([], $inches['answer']['warnings']);

        $this->putJson('/workshop', ['units' => 'imperial'])->assertOk();
        self::assertStringContainsString(
            ' in above the lowest point', implode(' ', $this->getJson("/studies/{$inches['id']}/state")->json('answer.words')),
        );
    }

    public function test_sides_with_names_of_their_own_stand_in_the_words(): void
    {
        $file = $this->sent(Shapes::stl(Shapes::hornedBlock()), 'block.stl');
        $this->from('/study')->put("/study/{$file->id}", ['sides' => ['+z' => 'head', '+x' => 'tail']])->assertRedirect();
        $answer = $this->asked($file->refresh(), pull: '0,1,0', pour: '0.26,0,0.966');

        self::assertStringStartsWith('Poured with the head up, tipped 15° to the tail: 1 vent', $answer['answer']['words'][2]);
    }

    public function test_walls_are_cut_from_the_study_and_what_does_not_go_says_so(): void
    {
        $study = $this->asked($this->ball(), wall_mm: 10);
        $dxf = (string) $this->get("/studies/{$study['id']}/box.dxf?board=5&joint=tabs&sheet=600x400")->assertOk()->getContent();
        self::assertSame(5, preg_match_all('/\nPOLYLINE\n/', $dxf));
        $this->get("/studies/{$study['id']}/box.svg?board=5")->assertOk()->assertHeader('Content-Type', 'image/svg+xml');
        $this->getJson("/studies/{$study['id']}/box.svg?sheet[]=600x400&sheet[]=1")->assertOk();
        $this->getJson("/studies/{$study['id']}/box.svg?board=thick")->assertStatus(422)->assertJsonPath('error.field', 'board_mm');
        $this->getJson("/studies/{$study['id']}/box.svg?board=90")->assertStatus(422)->assertJsonPath('error.field', 'board_mm');
    }

    public function test_which_rubbers_let_go_follows_their_sheets(): void
    {
        $study = $this->asked($this->sent(Shapes::stl(Shapes::mushroom(10.0, 30.0, 25.0, 15.0, 3.0)), 'mushroom.stl'), one_part: true);
        $told = $this->getJson("/studies/{$study['id']}/stretch")->assertOk()->json();

        self::assertEqualsWithDelta(150.0, $told['needed_pct'], 2.0);
        $by = array_column($told['rubbers'], 'verdict', 'name');
        self::assertSame('lets_go', $by['Platinum rubber A 10, medium'], '150 % of 1000 %.');
        self::assertContains('tears', $by);
    }

    public function test_it_floats_as_it_is_laid_in(): void
    {
        $study = $this->asked($this->ball(), float: ['mass_g' => 56.0, 'centre_mm' => [5, 0, 0], 'water_sg' => 1]);
        $float = $study['answer']['float'];

        self::assertTrue($float['floats']);
        self::assertEqualsWithDelta(56.0, $float['wet_ml'], 0.01);
        self::assertEqualsWithDelta(-1.0, $float['up'][0], 1e-4, 'Its weight turns down.');
    }

    public function test_another_workshop_sees_none_of_it(): void
    {
        $file = $this->ball();
        $study = $this->asked($file);
        app(OpenShop::class)('Next door', null, $this->now);
        ShopAtHand::enter(ShopAtHand::named('next-door'));
        $this->as($this->person('Runa', Role::Owner));
        foreach ([
            "/study/{$file->id}", "/studies/{$study['id']}/state", "/studies/{$study['id']}/picture.mesh",
            "/studies/{$study['id']}/box.svg",
        ] as $address) {
            $this->get($address)->assertNotFound();
        }
        $this->get('/study')->assertInertia(static fn ($page) => $page->where('studied.models', []));
    }
}
