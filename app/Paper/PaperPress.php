<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Phrase\Measures;
use App\Library\Library;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Support\Facades\View;

/**
 * Prints: true size, black on white, its fonts inside, with the code that leads back. The same page is handed to a browser that prints
 * itself.
 */
final readonly class PaperPress
{
    /** Of points in a millimetre. */
    private const PT_PER_MM = 72.0 / 25.4;

    public function __construct(private Library $library, private Workshop $shop) {}

    /** @param  string  $origin  where the shop is reached, for the code */
    public function html(Paper $paper, PaperSize $size, Measures $measures, string $origin): string
    {
        $words = $this->library->words()->in($measures);

        return View::file(resource_path("views/paper/{$paper->view}.blade.php"), [
            'title' => $paper->title, 'size' => $size, 'margins' => $paper->margins, 'code' => Codes::image($origin.$paper->href),
            'href' => $origin.$paper->href, 'shop' => $this->shop->name, 'figures' => new Figures($measures, $words, $this->shop),
            'printed' => CarbonImmutable::now()->setTimezone($this->shop->zone())->format('j M Y, H:i'), 'origin' => $origin,
            ...(array) $words->tell($paper->holds),
        ])->render();
    }

    public function pdf(Paper $paper, PaperSize $size, Measures $measures, string $origin): string
    {
        // What a page names of its own lies inside it: nothing is fetched, nothing is run.
        $options = new Options([
            'defaultFont' => 'DejaVu Sans', 'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false,
            'isFontSubsettingEnabled' => true, 'dpi' => 96, 'fontCache' => $this->fonts(), 'tempDir' => $this->fonts(),
            'chroot' => [resource_path('views/paper')],
        ]);
        $pdf = new Dompdf($options);
        $pdf->setPaper([0.0, 0.0, $size->width() * self::PT_PER_MM, $size->height() * self::PT_PER_MM]);
        $pdf->loadHtml($this->html($paper, $size, $measures, $origin), 'UTF-8');
        $pdf->addInfo('Title', $paper->title);
        $pdf->render();

        return (string) $pdf->output();
    }

    private function fonts(): string
    {
        $folder = storage_path('framework/cache/fonts');
        is_dir($folder) || @mkdir($folder, 0775, true);

        return $folder;
    }
}
