<?php

declare(strict_types=1);

namespace App\Studies;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\PhraseData;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Piece\StudyRequest;
use App\Machine\Cage;
use App\Machine\Cancelled;
use App\Models\ModelFile;
use App\Models\Study;
use App\Storage\Files;
use Carbon\CarbonImmutable;
use Symfony\Component\Process\Process;

/**
 * Studies models: each by the console's own verb in a cage of its own, with PHP's compiler on, and never by the process that serves a
 * page. A mesh that is too much takes no bench down with it, and one that is stopped is gone at once.
 */
final readonly class StudyDesk
{
    /** Raised when the same question would be answered otherwise: what was answered before is then asked again. */
    public const EDITION = 4;

    /** About a larger file no question is small. */
    public const AT_ONCE_BYTES = 4_000_000;

    private const MEGABYTES = 1500;

    private const KEPT = 60;

    private const LONGEST_SECONDS = 600;

    private const GRACE_SECONDS = 60;

    private const WAIT_US = 20_000;

    /**
     * The study of this question: the one there is, or a new one that waits.
     *
     * @throws BadInput for a question that makes no sense
     */
    public function open(ModelFile $file, Fields $asked, CarbonImmutable $now): Study
    {
        StudyRequest::from($asked);
        $question = array_filter($asked->toArray(), static fn (mixed $value): bool => $value !== null && $value !== false);
        ksort($question);
        $study = $file->studies()->createOrFirst(['mark' => self::mark($file, $question)], ['asked' => $question, 'created_at' => $now]);
        if (
            in_array($study->state, [Study::CANCELLED, Study::REFUSED], true)
            || ($study->state === Study::RUNNING && $study->created_at < $now->subSeconds((int) self::longest()))
        ) {
            // Stopped or broken off, or taken up by somebody who is no more: it is asked anew.
            $study->update(['state' => Study::WAITING, 'done' => 0, 'wrong' => null, 'created_at' => $now]);
        }
        if ($study->wasRecentlyCreated) {
            $this->tidy($file);
        }

        return $study;
    }

    /** A slider asks much: of one model the newest are kept, and what was found when all was left to be found. */
    private function tidy(ModelFile $file): void
    {
        $old = $file
            ->studies()
            ->reorder()
            ->where('mark', '!=', self::mark($file, []))
            ->orderByDesc('id')
            ->offset(self::KEPT)
            ->limit(self::KEPT)
            ->get(['id', 'workshop_id', 'mark', 'model_file_id']);
        foreach ($old as $study) {
            Files::disk()->delete($study->states());
            $study->delete();
        }
    }

    /** Whether it was answered as it would not be answered any more. */
    public function isOfBefore(ModelFile $file, Study $study): bool
    {
        return $study->state === Study::DONE && $study->mark !== self::mark($file, $study->asked);
    }

    /** What was found when all was left to be found; null where that was never asked. */
    public function found(ModelFile $file): ?Study
    {
        return $file->studies()->where('mark', self::mark($file, []))->where('state', Study::DONE)->first();
    }

    /** @param  array<array-key, mixed>  $question */
    private static function mark(ModelFile $file, array $question): string
    {
        return hash('sha256', json_encode([self::EDITION, $file->hash, $file->unit?->value, $file->sides, $question], JSON_THROW_ON_ERROR));
    }

    /** Answers a study that waits; where another does so already, there is nothing to do. */
    public function answer(Study $study): void
    {
        if (
            Study::query()
                ->whereKey($study->id)
                ->where('state', Study::WAITING)
                ->update(['state' => Study::RUNNING, 'done' => 0, 'taken_at' => CarbonImmutable::now()]) === 0
        ) {
            return;
        }
        try {
            $answer = $this->run($study);
            $read = json_decode($answer, true);
            Study::query()
                ->whereKey($study->id)
                ->where('state', Study::RUNNING)
                ->update([
                    'state' => Study::DONE, 'done' => 1000, 'answer' => $answer,
                    'in_short' => json_encode(InShort::of(is_array($read) ? $read : []), JSON_THROW_ON_ERROR),
                ]);
        } catch (Cancelled) {
            Study::query()->whereKey($study->id)->update(['state' => Study::CANCELLED]);
        } catch (BadInput $wrong) {
            Study::query()->whereKey($study->id)->update([
                'state' => Study::REFUSED, 'wrong' => json_encode(PhraseData::of($wrong->says), JSON_THROW_ON_ERROR),
            ]);
        }
    }

    /** One whose runner is no more ends in a sentence; that of the next one has its turn. */
    public function lapsed(Study $study, CarbonImmutable $now): Study
    {
        if (
            $study->state === Study::RUNNING
            && $study->taken_at !== null
            && $study->taken_at < $now->subSeconds((int) (self::longest() + self::GRACE_SECONDS))
        ) {
            Study::query()
                ->whereKey($study->id)
                ->where('state', Study::RUNNING)
                ->update([
                    'state' => Study::REFUSED, 'wrong' => json_encode(PhraseData::of(Phrase::of('piece.broke_off')), JSON_THROW_ON_ERROR),
                ]);

            return $study->refresh();
        }

        return $study;
    }

    /** In seconds. */
    private static function longest(): float
    {
        return is_numeric($said = config('study.longest_s')) ? (float) $said : self::LONGEST_SECONDS;
    }

    public function stop(Study $study): void
    {
        Study::query()->whereKey($study->id)->whereIn('state', [Study::WAITING, Study::RUNNING])->update(['state' => Study::CANCELLED]);
    }

    /** @return string the answer as it is kept */
    private function run(Study $study): string
    {
        $file = $study->modelFile;
        $mesh = Files::here($file->path()) ?? throw BadInput::at('file', Phrase::of('piece.file_gone'));
        $keep = Files::work();
        $process = Cage::php(
            [base_path('bin/apalos'), 'study', $mesh, ...$this->words($file, $study->asked), '--keep', $keep, '--progress'],
            self::MEGABYTES, self::longest() + self::GRACE_SECONDS,
        );
        $process->start();
        $told = 0;
        $said = '';
        $ends = microtime(true) + self::longest();
        while ($process->isRunning()) {
            if (microtime(true) > $ends) {
                $process->stop(0.5);
                throw BadInput::at('file', Phrase::of('piece.took_too_long', ['minutes' => Quantity::duration(self::longest() / 60.0)]));
            }
            $said .= $process->getIncrementalErrorOutput();
            if (preg_match_all('/^([\d.]+) (\w+)$/m', $said, $lines) > 0) {
                $done = (int) (1000 * (float) (end($lines[1]) ?: 0));
                if ($done >= $told + 40) {
                    $told = $done;
                    $this->tell($study, $done, (string) end($lines[2]), $process);
                }
                $said = substr($said, (int) strrpos($said, "\n"));
            }
            usleep(self::WAIT_US);
        }
        if ($process->getExitCode() === 2) {
            throw $this->refused($process->getOutput());
        }
        $answer = $process->isSuccessful() && is_file("{$keep}.json") ? (string) file_get_contents("{$keep}.json") : '';
        foreach (['states' => $study->states(), 'mesh' => $file->mesh()] as $part => $path) {
            ! is_file("{$keep}.{$part}") || Files::take("{$keep}.{$part}", $path);
        }
        array_map(static fn (string $file): bool => @unlink($file), [$keep, "{$keep}.json"]);

        return $answer !== '' ? $answer : throw BadInput::at('file', Phrase::of('piece.broke_off'));
    }

    private function tell(Study $study, int $done, string $doing, Process $process): void
    {
        if (
            Study::query()
                ->whereKey($study->id)
                ->where('state', Study::RUNNING)
                ->update(['done' => min(999, $done), 'doing' => $doing]) === 0
        ) {
            $process->stop(0.5);
            throw new Cancelled;
        }
    }

    private function refused(string $output): BadInput
    {
        $said = json_decode($output, true);
        $message = is_array($said) && is_array($said['error'] ?? null) && is_string($said['error']['message'] ?? null)
            ? $said['error']['message']
            : null;

        return BadInput::at('file', $message === null ? Phrase::of('piece.broke_off') : Phrase::written($message));
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return list<string>
     */
    private function words(ModelFile $file, array $asked): array
    {
        $words = ['--format', $file->format->value];
        foreach ([
            'pull' => 'pull', 'pour' => 'pour', 'school' => 'school', 'wall_mm' => 'wall', 'shore_a' => 'shore', 'seam_mm' => 'seam',
        ] as $key => $option) {
            if (is_string($asked[$key] ?? null) || is_int($asked[$key] ?? null) || is_float($asked[$key] ?? null)) {
                array_push($words, "--{$option}", (string) $asked[$key]);
            }
        }
        if (($asked['one_part'] ?? false) === true) {
            $words[] = '--one-part';
        }
        if (is_array($asked['float'] ?? null)) {
            array_push($words, '--float', json_encode($asked['float'], JSON_THROW_ON_ERROR));
        }
        if ($file->unit !== null) {
            array_push($words, '--units', $file->unit->value);
        }

        return $file->sides === null || $file->sides === []
            ? $words
            : [...$words, '--sides', json_encode($file->sides, JSON_THROW_ON_ERROR)];
    }
}
