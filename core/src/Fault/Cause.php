<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

use Apalos\Core\Input\Fields;

/** One cause of failures: what speaks for it, how to tell it from the next, what to do the next time. */
final readonly class Cause
{
    /**
     * @param  float  $usual  how often it is the cause, in hundredths, before a shop has said anything of its own
     * @param  array<string, array{times: float, because: string}>  $seen  by symptom
     * @param  array<string, float>  $where  by place
     * @param  list<Telling>  $tellings
     * @param  list<string>|null  $families  chemistries it can be the cause in; null in all
     */
    private function __construct(
        public string $id,
        public string $name,
        public float $usual,
        public array $seen,
        public array $where,
        public array $tellings,
        public string $look,
        public string $next,
        private ?array $families = null,
    ) {}

    public static function from(string $id, Fields $in): self
    {
        $in->only('name', 'usual', 'seen', 'where', 'facts', 'look', 'next', 'families');
        [$seen, $where] = [[], []];
        foreach ($in->object('seen')->names() as $symptom) {
            $one = $in->object('seen')->object($symptom)->only('times', 'because');
            $seen[$symptom] = ['times' => $one->number('times', 0.001, 1000.0), 'because' => $one->text('because')];
        }
        foreach ($in->object('where')->names() as $place) {
            $where[$place] = $in->object('where')->number($place, 0.001, 1000.0);
        }

        return new self(
            $id, $in->text('name'), $in->positive('usual'), $seen, $where, array_map(Telling::from(...), $in->objects('facts')),
            $in->text('look'), $in->text('next'), $in->has('families') ? $in->strings('families') : null,
        );
    }

    /** Sulphur stops no urethane, and what comes in one part has no ratio. */
    public function canBe(?string $family): bool
    {
        return $family === null || $this->families === null || in_array($family, $this->families, true);
    }

    /** How many times likelier a known fact makes it, and why; the first that holds counts. */
    public function toldBy(string $fact, float|bool|string $value): ?Telling
    {
        foreach ($this->tellings as $telling) {
            if ($telling->fact === $fact && $telling->holds($value)) {
                return $telling;
            }
        }

        return null;
    }
}
