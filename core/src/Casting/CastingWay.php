<?php

declare(strict_types=1);

namespace Apalos\Core\Casting;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/**
 * How something is worked on a run: what is done at each step and what its clock counts from, in the words of that process. A way says
 * only what is its own; for the rest the one it stands on is asked.
 *
 * @phpstan-import-type Said from WorkedResult
 */
final readonly class CastingWay
{
    /** What happens on a run, and is said by each way in its own words. */
    private const STEPS = ['mix', 'fill', 'wait'];

    /**
     * @param  list<string>  $families  of materials that are always worked so
     * @param  array<string, Said>  $steps  with the words by which it is said to be done, where they are its own
     * @param  bool|null  $premixes  whether what is weighed is stirred in its own pot before; null where this way does not say
     * @param  array{starts: string, since: string, met: string}|null  $clock  what its clock counts from
     * @param  list<string>  $hazards  ids of cautions it brings, whatever is cast
     * @param  Heat|null  $heat  how warm it is made; null where it is mixed, not heated
     * @param  Scrap|null  $scrap  what is left of it; null where it does not melt again
     * @param  Cooling|null  $cooling  how its thickest place tells when it opens; null where it cures
     * @param  list<array{code: string, amount: float, basis: string, into: string}>  $with what is weighed into it wherever it is worked so
     * @param  float|null  $lostPct  what is lost on the way, % of what lies; null where this way does not say
     * @param  float|null  $turnSeconds  how long it is turned one way before it is turned the other; null where nothing is turned
     */
    private function __construct(
        public string $id,
        public string $name,
        public array $families,
        private array $steps,
        public ?bool $premixes,
        private ?array $clock,
        public ?float $turnSeconds,
        public array $with,
        public ?float $lostPct,
        public array $hazards,
        public ?Heat $heat,
        public ?Scrap $scrap,
        public ?Cooling $cooling,
    ) {}

    /** @throws BadInput for a way nobody can follow */
    public static function from(string $id, Fields $in): self
    {
        $in->only(
            'name', 'families', 'premix', 'mix', 'fill', 'wait', 'clock', 'turn_s', 'with', 'lost_pct', 'hazards', 'heat', 'scrap', 'cool',
        );
        $steps = [];
        foreach (['premix', ...self::STEPS] as $step) {
            $said = $in->objectOrNull($step);
            $steps[$step] = $said === null
                ? null
                : ['title' => $said->text('title'), 'points' => $said->strings('points'), 'done' => $said->textOrNull('done')];
        }
        $clock = $in->objectOrNull('clock');

        return new self(
            $id, $in->text('name'), $in->has('families') ? $in->strings('families') : [],
            array_filter($steps, static fn (?array $said): bool => $said !== null),
            in_array('premix', $in->names(), true) ? $steps['premix'] !== null : null,
            $clock === null ? null : ['starts' => $clock->text('starts'), 'since' => $clock->text('since'), 'met' => $clock->text('met')],
            $in->positiveOrNull('turn_s', 3600.0),
            array_map(
                static fn (Fields $one): array => [
                    'code' => $one->text('code'), 'amount' => $one->positive('amount'), 'basis' => $one->text('basis'),
                    'into' => $one->text('into'),
                ],
                $in->objects('with'),
            ),
            $in->positiveOrNull('lost_pct', 1000.0),
            $in->has('hazards') ? $in->strings('hazards') : [],
            ($heat = $in->objectOrNull('heat')) === null ? null : Heat::from($heat),
            ($scrap = $in->objectOrNull('scrap')) === null ? null : Scrap::from($scrap),
            ($cool = $in->objectOrNull('cool')) === null ? null : Cooling::from($cool),
        );
    }

    /** This way, and for what it does not say the one below. */
    public function on(self $below): self
    {
        return new self(
            $this->id, $this->name, $this->families, $this->steps + $below->steps, $this->premixes ?? $below->premixes,
            $this->clock ?? $below->clock, $this->turnSeconds, $this->with, $this->lostPct ?? $below->lostPct,
            array_values(array_unique([...$below->hazards, ...$this->hazards])), $this->heat ?? $below->heat, $this->scrap ?? $below->scrap,
            $this->cooling ?? $below->cooling,
        );
    }

    public function stirsBefore(): bool
    {
        return $this->premixes === true;
    }

    /** All it says, with what it stands on, as a screen shows it. */
    public function said(): WorkedResult
    {
        $said = fn (string $step): array => $this->steps[$step] ?? ['title' => $this->name, 'points' => [], 'done' => null];

        return new WorkedResult(
            $this->id, $this->name, $this->stirsBefore() ? $said('premix') : null, $said('mix'), $said('fill'), $said('wait'),
            $this->clock ?? ['starts' => '', 'since' => '', 'met' => ''], $this->turnSeconds,
        );
    }
}
