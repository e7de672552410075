<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;
use App\Exchange\JobFile;
use App\Exchange\TakeJobIn;
use App\Http\Reply;
use App\Library\Library;
use App\Models\Build;
use App\Models\FormulaVersion;
use App\Models\Job;
use App\Models\Pour;
use App\Models\Workshop;
use App\Paper\BatchCard;
use App\Paper\BuildOnPaper;
use App\Paper\DayOnPaper;
use App\Paper\FormulaCard;
use App\Paper\JobPaper;
use App\Paper\LabelSheet;
use App\Paper\Paper;
use App\Paper\PaperPress;
use App\Paper\PaperSize;
use App\Paper\ShoppingList;
use App\Stock\StoresView;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Symfony\Component\HttpFoundation\Response;

/** What hangs on the wall, lies in the box, goes with the piece: as PDF, or as a page the browser prints. */
final readonly class PaperController
{
    private const LARGEST_FILE = 5_000_000;

    public function __construct(private PaperPress $press, private Workshop $shop) {}

    public function batch(Request $request, Pour $pour, BatchCard $card): Response
    {
        return $this->printed($request, static fn (): Paper => $card->of($pour));
    }

    public function build(Request $request, Build $build, BuildOnPaper $sheet): Response
    {
        return $this->printed($request, static fn (): Paper => $sheet->of($build, CarbonImmutable::now()));
    }

    public function day(Request $request, DayOnPaper $day): Response
    {
        return $this->printed($request, static fn (): Paper => $day->of(CarbonImmutable::now()));
    }

    public function formula(Request $request, FormulaVersion $version, FormulaCard $card): Response
    {
        return $this->printed($request, static fn (): Paper => $card->of($version));
    }

    public function toBuy(Request $request, ShoppingList $list): Response
    {
        return $this->printed($request, static fn (): Paper => $list->of(app()->make(StoresView::class, ['open' => null])));
    }

    public function labels(Request $request, LabelSheet $labels): Response
    {
        $size = self::size($request);

        return $this->printed($request, static fn (): Paper => $labels->of(self::numbers($request), $size));
    }

    public function job(Request $request, Job $job, JobPaper $paper): Response
    {
        return $this->printed($request, static fn (): Paper => $paper->of($job, CarbonImmutable::now()));
    }

    public function care(Request $request, Job $job, JobPaper $paper): Response
    {
        return $this->printed($request, static fn (): Paper => $paper->care($job));
    }

    /** The same as a file another shop takes in. */
    public function jobFile(Job $job, JobFile $file, Library $library): Response
    {
        $told = $library->words()->in(Measures::Metric)->tell($file->of($job, CarbonImmutable::now()));

        return response(
            (string) json_encode($told, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), 200,
            ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename=\"apalos-job-{$job->id}.json\""],
        );
    }

    public function takeJob(Request $request, TakeJobIn $take): RedirectResponse
    {
        $file = $request->file('file');
        try {
            $text = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= self::LARGEST_FILE
                ? (string) file_get_contents($file->getRealPath())
                : '';
            if (trim($text) === '' || ! mb_check_encoding($text, 'UTF-8')) {
                throw BadInput::at('file', Phrase::of('bench.no_job_file'));
            }
            $job = $take($text, CarbonImmutable::now());
        } catch (BadInput $wrong) {
            return back()->withErrors(['file' => Reply::refusal($wrong)]);
        }

        return redirect()->to("/jobs/{$job->id}")->with('said', Reply::say(Phrase::of('bench.job_taken_in', ['name' => $job->name])));
    }

    /** @param  callable(): Paper  $composed */
    private function printed(Request $request, callable $composed): Response
    {
        try {
            $paper = $composed();
        } catch (BadInput $wrong) {
            return back()->withErrors([
                'paper' => $wrong->isMissing ? Reply::say(Phrase::of('bench.something_sheet_no_figure')) : Reply::say($wrong),
            ]);
        }
        $measures = Measures::from(
            $request->query('units') === 'imperial' || ($request->query('units') === null && $this->shop->units === 'imperial')
                ? 'imperial'
                : 'metric',
        );
        $size = self::size($request);
        if ($request->route('format') === 'html') {
            return response(
                $this->press->html($paper, $size, $measures, $request->getSchemeAndHttpHost()), 200,
                ['Content-Type' => 'text/html; charset=utf-8'],
            );
        }

        return response(
            $this->press->pdf($paper, $size, $measures, $request->getSchemeAndHttpHost()), 200,
            ['Content-Type' => 'application/pdf', 'Content-Disposition' => "inline; filename=\"{$paper->file}.pdf\""],
        );
    }

    private static function size(Request $request): PaperSize
    {
        return PaperSize::tryFrom(is_string($size = $request->query('size')) ? $size : '') ?? PaperSize::A4;
    }

    /** What an address says in figures. */
    private static function numbers(Request $request): Fields
    {
        return Fields::of(
            array_map(
                static fn (mixed $said): mixed => is_string($said) && is_numeric($said) && ! str_contains($said, ',')
                    ? (float) $said
                    : $said,
                array_diff_key($request->query(), ['size' => 0, 'units' => 0]),
            ),
        );
    }
}
