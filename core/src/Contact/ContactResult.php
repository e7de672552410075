<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Phrase\Phrase;

/**
 * What a contact asks for, why, and what to do about it.
 *
 * @phpstan-type ContactShape array{
 *     verdict: 'clear'|'release'|'seal-and-release'|'test-first'|'stop', safe: bool, in_short: Phrase,
 *     adhesion: 'lets-go'|'grips'|'fuses', inhibition: 'none'|'may-slow'|'stops', wear: int,
 *     because: list<array{rule: string, text: Phrase, sure: 'certain'|'usual'|'disputed'}>,
 *     plan: list<array{do: 'dry'|'seal'|'block'|'release'|'wait'|'test', what: Phrase, coats: int, minutes: float, note: Phrase}>,
 *     releases: list<array{id: string, fit: float, why: Phrase}>, ruinous: list<array{id: string, why: Phrase}>,
 *     cautions: list<Phrase>, warnings: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class ContactResult
{
    /**
     * @param  bool  $safe  it can be poured with what has been chosen so far
     * @param  Phrase  $inShort  a few words for a mark
     * @param  list<array{rule: string, text: Phrase, sure: 'certain'|'usual'|'disputed'}>  $because
     * @param  list<Preparation>  $plan
     * @param  list<array{release: Release, fit: float, why: Phrase}>  $releases
     * @param  list<array{release: Release, why: Phrase}>  $ruinous
     * @param  list<Phrase>  $cautions
     * @param  list<string>  $standingInTheWay  ids of the rules that keep it from being safe
     * @param  bool  $isForbidden  by a rule, whatever was chosen: what it says stands first among what speaks against it
     */
    public function __construct(
        public Verdict $verdict,
        public bool $safe,
        public Phrase $inShort,
        public Adhesion $adhesion,
        public Inhibition $inhibition,
        public int $wear,
        public array $because,
        public array $plan,
        public array $releases,
        public array $ruinous,
        public array $cautions,
        public array $standingInTheWay = [],
        public bool $isForbidden = false,
    ) {}

    /** It may not be poured like this: it is stopped, or what it asks for is still missing. A test that is due is done on the way. */
    public function blocks(): bool
    {
        return $this->verdict === Verdict::Stop
            || (in_array($this->verdict, [Verdict::Release, Verdict::SealAndRelease], true) && ! $this->safe);
    }

    /** @return ContactShape */
    public function toArray(): array
    {
        return [
            'verdict' => $this->verdict->value,
            'safe' => $this->safe,
            'in_short' => $this->inShort,
            'adhesion' => $this->adhesion->value,
            'inhibition' => $this->inhibition->value,
            'wear' => $this->wear,
            'because' => $this->because,
            'plan' => array_map(static fn (Preparation $step): array => $step->toArray(), $this->plan),
            'releases' => array_map(
                static fn (array $r): array => ['id' => $r['release']->id, 'fit' => $r['fit'], 'why' => $r['why']], $this->releases,
            ),
            'ruinous' => array_map(static fn (array $r): array => ['id' => $r['release']->id, 'why' => $r['why']], $this->ruinous),
            'cautions' => $this->cautions,
            'warnings' => [],
        ];
    }
}
