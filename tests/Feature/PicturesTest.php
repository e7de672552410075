<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Swatch;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesSwatches;
use Tests\TestCase;

/** Photos of what came out: whatever a camera or a mischief hands in. */
final class PicturesTest extends TestCase
{
    use MakesSwatches;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake();
    }

    private static function file(string $content, string $name = 'photo.jpg'): UploadedFile
    {
        return UploadedFile::fake()->createWithContent($name, $content);
    }

    /** A JPEG of this size, its upper left quarter red; turned by the camera where an orientation is given, with a place in it. */
    private static function jpeg(int $width, int $height, ?int $orientation = null): string
    {
        $picture = imagecreatetruecolor(max(1, $width), max(1, $height));
        imagefilledrectangle($picture, 0, 0, intdiv($width, 2), intdiv($height, 2), (int) imagecolorallocate($picture, 250, 20, 20));
        ob_start();
        imagejpeg($picture, null, 90);
        $jpeg = (string) ob_get_clean();
        if ($orientation === null) {
            return $jpeg;
        }
        $exif = "Exif\0\0MM\0*\0\0\0\x08\0\x02\x01\x0E\0\x02\0\0\0\x0B\0\0\0\x26\x01\x12\0\x03\0\0\0\x01\0".chr($orientation)."\0\0\0\0\0\0Secret lane";

        return substr($jpeg, 0, 2)."\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2);
    }

    private function keep(UploadedFile $photo): Swatch
    {
        $swatch = $this->puck(60, '00', 26);
        $this->from('/swatches/drawer')
            ->post("/swatches/{$swatch->id}", ['photo' => $photo])
            ->assertRedirect('/swatches/drawer')
            ->assertSessionHasNoErrors();

        return $swatch->refresh();
    }

    public function test_a_large_photo_is_kept_as_large_as_a_screen(): void
    {
        $swatch = $this->keep(self::file(self::jpeg(3000, 1200)));
        $size = getimagesizefromstring((string) Storage::get((string) $swatch->photo));

        self::assertIsArray($size);
        self::assertSame([2000, 800, IMAGETYPE_JPEG], array_slice($size, 0, 3));
        $this->get("/swatches/{$swatch->id}/photo")->assertOk()->assertHeader('Content-Type', 'image/jpeg');
    }

    public function test_it_is_turned_upright_and_forgets_where_it_was_taken(): void
    {
        $kept = (string) Storage::get((string) $this->keep(self::file(self::jpeg(80, 40, 6)))->photo);
        $picture = imagecreatefromstring($kept);

        self::assertInstanceOf(\GdImage::class, $picture);
        self::assertSame([40, 80], [imagesx($picture), imagesy($picture)]);
        $red = static fn (int $x, int $y): bool => ((int) imagecolorat($picture, $x, $y) >> 16) > 150;
        self::assertTrue($red(30, 10), 'what the camera held sideways is upright');
        self::assertFalse($red(10, 70));
        self::assertStringNotContainsString('Secret lane', $kept);
    }

    public function test_what_is_replaced_is_deleted(): void
    {
        $swatch = $this->keep(self::file(self::jpeg(20, 20)));
        $first = (string) $swatch->photo;
        $this->post("/swatches/{$swatch->id}", ['photo' => self::file(self::jpeg(30, 30))]);

        Storage::assertMissing($first);
        Storage::assertExists((string) $swatch->refresh()->photo);
        self::assertCount(1, Storage::allFiles('swatches'));
    }

    /** @return iterable<string, array{string}> */
    public static function mischief(): iterable
    {
        $png = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
        yield 'nothing' => [''];
        yield 'words' => ['this is no picture'];
        yield 'a page' => ['<html><script>alert(1)</script></html>'];
        yield 'a drawing that could run' => ['<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'];
        yield 'a script that begins like one' => ['GIF89a<?php echo 1;'];
        yield 'one of 30000 by 30000' => [substr_replace($png, pack('NN', 30000, 30000), 16, 8)];
        yield 'half of one' => [substr(self::jpeg(200, 200), 0, 300)];
        yield 'one that claims to be empty' => [substr_replace($png, pack('NN', 0, 0), 16, 8)];
        yield 'more than was promised' => [self::jpeg(10, 10).str_repeat('x', 9_000_000)];
    }

    #[DataProvider('mischief')]
    public function test_what_is_no_photo_is_refused_with_a_sentence(string $content): void
    {
        $swatch = $this->puck(60, '00', 26);
        $this->from('/swatches/drawer')
            ->post("/swatches/{$swatch->id}", ['photo' => self::file($content), 'name' => 'Kept'])
            ->assertRedirect('/swatches/drawer')
            ->assertSessionHasErrors('photo');

        self::assertNull($swatch->refresh()->photo);
        self::assertSame([], Storage::allFiles());
    }

    public function test_a_list_where_a_photo_or_a_word_is_meant_is_answered_with_a_sentence(): void
    {
        $swatch = $this->puck(60, '00', 26);
        foreach ([['photo' => ['x']], ['name' => ['a' => 'b']], ['note' => [[]]]] as $said) {
            $this->from('/')->post("/swatches/{$swatch->id}", $said)->assertRedirect('/')->assertSessionHasErrors();
        }
        $this->from('/')
            ->post('/formulas', ['name' => ['x'], 'recipe' => 'x', 'note' => ['y']])
            ->assertRedirect('/')
            ->assertSessionHasErrors();
        $this->from('/')->post('/contacts/import', ['text' => ['a' => ['b']]])->assertRedirect('/')->assertSessionHasErrors('file');
        $this->from('/')
            ->post('/jobs', ['name' => ['x'], 'quantity' => ['y'], 'chain' => 'z'])
            ->assertRedirect('/')
            ->assertSessionHasErrors(['name', 'quantity', 'chain']);
    }

    public function test_a_formula_that_is_refused_leaves_no_photo_behind(): void
    {
        $this->from('/formulas')->post('/formulas', [
            'name' => '', 'recipe' => '{"base": "pr-10", "additives": []}', 'photo' => self::file(self::jpeg(20, 20)),
        ])->assertSessionHasErrors();

        self::assertSame([], Storage::allFiles());
    }

    public function test_more_than_the_server_lets_in_is_answered_with_a_screen_or_a_sentence(): void
    {
        $swatch = $this->puck(60, '00', 26);
        $huge = ['CONTENT_LENGTH' => (string) (1024 ** 4)];
        $this->call('POST', "/swatches/{$swatch->id}", server: $huge)->assertStatus(413)->assertInertia(
            fn ($page) => $page->component('lost/Lost')->where('status', 413),
        );
        self::assertNotSame(
            '',
            $this->call(
                'POST', '/api/reckon/mix', server: [...$huge, 'HTTP_ACCEPT' => 'application/json'],
            )->assertStatus(413)->json('message'),
        );
    }
}
