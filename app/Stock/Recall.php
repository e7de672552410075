<?php

declare(strict_types=1);

namespace App\Stock;

use App\Lists\Rows;
use App\Models\Lot;
use App\Models\Mould;

/**
 * All that a bad kit went into: pours that drew from it, moulds that were made of those, every later cast in such a mould, and what was
 * left of a hot pour and melted again. Followed until nothing new is found.
 */
final class Recall
{
    /** Asked for so many at once: a database takes no longer list. */
    private const AT_ONCE = 500;

    /**
     * @var array<int, array{by: string, of: int}> pours by number: drawn from a lot, cast in a mould, or laid in one build with a pour,
     *   with which
     */
    private array $pours = [];

    /** @var array<int, int> moulds by number: of which pour they are made */
    private array $moulds = [];

    /** @var array<int, int|null> lots by number: of which pour they are left; null for the kit itself */
    private array $lots = [];

    /** @var array<int, true> lots whose pours were asked for */
    private array $asked = [];

    private function __construct() {}

    public static function of(Lot $lot): self
    {
        $recall = new self;
        $recall->lots[$lot->id] = null;
        $lots = [$lot->id];
        while ($lots !== []) {
            $pours = $recall->poured($lots);
            while ($pours !== []) {
                $pours = [...$pours, ...$recall->beside($pours)];
                $recall->left($pours);
                $pours = $recall->castIn($recall->madeOf($pours));
            }
            $lots = array_keys(
                array_filter(
                    $recall->lots, static fn (?int $of, int $id): bool => $of !== null && ! isset($recall->asked[$id]),
                    ARRAY_FILTER_USE_BOTH,
                ),
            );
        }

        return $recall;
    }

    /** @return array<int, array{by: string, of: int}> the newest last */
    public function pours(): array
    {
        ksort($this->pours);

        return $this->pours;
    }

    /** @return array<int, int> */
    public function moulds(): array
    {
        return $this->moulds;
    }

    /** @return array<int, int> what was left of them, by lot: of which pour */
    public function scrap(): array
    {
        return array_filter($this->lots, static fn (?int $of): bool => $of !== null);
    }

    /**
     * @param  list<int>  $lots
     * @return list<int> pours that are new
     */
    private function poured(array $lots): array
    {
        $new = [];
        foreach (array_chunk($lots, self::AT_ONCE) as $some) {
            $this->asked += array_fill_keys($some, true);
            foreach (Rows::of('lot_draws')->whereIn('lot_id', $some)->distinct()->orderBy('pour_id')->get(['pour_id', 'lot_id']) as $row) {
                if (! isset($this->pours[(int) $row->pour_id])) {
                    $this->pours[(int) $row->pour_id] = ['by' => 'lot', 'of' => (int) $row->lot_id];
                    $new[] = (int) $row->pour_id;
                }
            }
        }

        return $new;
    }

    /**
     * Coats of one build are one thing: what is in one of them is in all.
     *
     * @param  list<int>  $pours
     * @return list<int> pours that are new
     */
    private function beside(array $pours): array
    {
        $new = [];
        foreach (array_chunk($pours, self::AT_ONCE) as $some) {
            $builds = Rows::of('pours')->whereIn('id', $some)->pluck('id', 'build_id')->all();
            foreach (Rows::of('pours')->whereIn(
                'build_id', array_keys($builds),
            )->whereNotNull('started_at')->get(['id', 'build_id']) as $row) {
                if (! isset($this->pours[(int) $row->id])) {
                    $this->pours[(int) $row->id] = ['by' => 'build', 'of' => (int) $builds[$row->build_id]];
                    $new[] = (int) $row->id;
                }
            }
        }

        return $new;
    }

    /** @param  list<int>  $pours */
    private function left(array $pours): void
    {
        foreach (array_chunk($pours, self::AT_ONCE) as $some) {
            foreach (Rows::of('lots')->whereIn('of_pour_id', $some)->get(['id', 'of_pour_id']) as $row) {
                $this->lots[(int) $row->id] ??= (int) $row->of_pour_id;
            }
        }
    }

    /**
     * @param  list<int>  $pours
     * @return list<int> moulds that are new
     */
    private function madeOf(array $pours): array
    {
        $new = [];
        foreach (array_chunk($pours, self::AT_ONCE) as $some) {
            $jobs = Rows::of('impressions')
                ->whereIn('id', Rows::of('pours')->whereIn('id', $some)->select('impression_id'))
                ->distinct()
                ->pluck('job_id')
                ->all();
            $among = array_fill_keys($some, true);
            foreach (Mould::query()->whereIn('job_id', $jobs)->get(['id', 'workshop_id', 'parts']) as $mould) {
                foreach ($mould->parts as $part) {
                    if (isset($among[$part['pour_id'] ?? 0]) && ! isset($this->moulds[$mould->id])) {
                        $this->moulds[$mould->id] = (int) $part['pour_id'];
                        $new[] = $mould->id;
                    }
                }
            }
        }

        return $new;
    }

    /**
     * @param  list<int>  $moulds
     * @return list<int> pours that are new
     */
    private function castIn(array $moulds): array
    {
        $new = [];
        foreach (array_chunk($moulds, self::AT_ONCE) as $some) {
            foreach (Rows::of('pour_moulds')->whereIn('mould_id', $some)->orderBy('pour_id')->get(['pour_id', 'mould_id']) as $row) {
                if (! isset($this->pours[(int) $row->pour_id])) {
                    $this->pours[(int) $row->pour_id] = ['by' => 'mould', 'of' => (int) $row->mould_id];
                    $new[] = (int) $row->pour_id;
                }
            }
        }

        return $new;
    }
}
