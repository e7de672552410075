<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** Reads the rules over one contact, decides, and explains. */
final readonly class ContactEngine
{
    private const SKIN = 'skin';

    public function __construct(
        private Knowledge $knowledge,
        private ReleaseRanking $ranking = new ReleaseRanking,
        private PreparationPlan $plans = new PreparationPlan,
    ) {}

    /** @throws BadInput */
    public function judge(ContactRequest $request): ContactResult
    {
        $found = Findings::on($request->fresh, $request->surface, $request->state, $this->knowledge);
        $inhibitors = $this->standing($found->inhibitors, $request);
        $doubts = $this->standing(
            array_values(array_filter($found->doubts, static fn (Rule $rule): bool => $rule->isFor($request->intent))), $request,
        );
        $doubt = $inhibitors === [] ? $this->doubtfulSealer($request) : null;
        $inhibition = $doubt !== null
            ? Inhibition::MaySlow
            : ($inhibitors === [] ? Inhibition::None : Inhibition::from($inhibitors[0]->gives));
        $adhesion = Adhesion::from($found->adhesion->gives);
        $releases = $found->forbidden === [] ? $this->ranking->of($request, $this->knowledge) : [];
        $objections = $this->objections($request, $found, $adhesion, $releases);
        $verdict = $this->verdict($request, $found, $objections, $doubts, $adhesion, $inhibition);
        $because = [
            ...$objections,
            ...array_map(static fn (Rule $rule): array => $rule->because(), $inhibitors),
            ...($doubt === null ? [] : [$doubt]),
            ...array_map(static fn (Rule $rule): array => $rule->because(), $doubts),
            $found->adhesion->because(),
            ...($inhibitors === [] && $doubt === null && $found->inhibitors === [] ? [$found->cure->because()] : []),
        ];
        if ($request->tested === true && [...$found->inhibitors, ...$found->doubts] !== []) {
            $because[] = ['rule' => 'own-test', 'text' => Phrase::of('contact.own_test_passed'), 'sure' => 'usual'];
        }
        if ($request->intent === Intent::Separate && in_array('cured-silicone', $request->surface->groups, true)) {
            $because[] = ['rule' => "w-{$request->fresh->id}", 'text' => Phrase::written($request->fresh->wearText), 'sure' => 'usual'];
        }

        return new ContactResult(
            $verdict,
            $this->isSafe($verdict, $request),
            $this->inShort($verdict, $request, $adhesion, $inhibition, $objections),
            $adhesion,
            $inhibition,
            $request->fresh->wear,
            $because,
            $verdict === Verdict::Stop ? [] : $this->plans->of($request, $verdict, $found->adhesion, $releases, $this->knowledge),
            $releases,
            $this->ranking->ruinous($request, $this->knowledge),
            $this->cautions($request),
            $this->standingInTheWay($verdict, $request, $objections, [...$inhibitors, ...$doubts], $doubt, $found->adhesion),
            $found->forbidden !== [],
        );
    }

    /**
     * @param  list<array{rule: string, text: Phrase, sure: string}>  $objections
     * @param  list<Rule>  $inhibitors
     * @param  array{rule: string, text: Phrase, sure: 'certain'|'usual'|'disputed'}|null  $doubt
     * @return list<string>
     */
    private function standingInTheWay(
        Verdict $verdict,
        ContactRequest $request,
        array $objections,
        array $inhibitors,
        ?array $doubt,
        Rule $adhesion,
    ): array {
        return match (true) {
            $this->isSafe($verdict, $request) => [],
            $objections !== [] => array_column($objections, 'rule'),
            $inhibitors !== [] => array_map(static fn (Rule $rule): string => $rule->id, $inhibitors),
            $doubt !== null => [$doubt['rule']],
            default => [$adhesion->id],
        };
    }

    /**
     * A test that cured stands above what is usual, never above what is certain.
     *
     * @param  list<Rule>  $inhibitors
     * @return list<Rule>
     */
    private function standing(array $inhibitors, ContactRequest $request): array
    {
        return $request->tested === true
            ? array_values(array_filter($inhibitors, static fn (Rule $rule): bool => $rule->sure === Sure::Certain))
            : $inhibitors;
    }

    /**
     * A sealer closes pores and stops no chemistry; some bring chemistry of their own.
     *
     * @return array{rule: string, text: Phrase, sure: 'certain'|'usual'|'disputed'}|null
     */
    private function doubtfulSealer(ContactRequest $request): ?array
    {
        $sealer = $this->knowledge->sealers[$request->state->sealedWith ?? ''] ?? null;
        if ($sealer === null || $request->tested === true || ! $sealer->isDoubtfulUnder($request->fresh)) {
            return null;
        }

        return [
            'rule' => "sealer-{$sealer->id}",
            'text' => Phrase::of('contact.doubtful_sealer', ['sealer' => $sealer->name, 'fresh' => $request->fresh->name]),
            'sure' => 'usual',
        ];
    }

    /**
     * What stops a contact whatever the rest says.
     *
     * @param  list<array{release: Release, fit: float, why: Phrase}>  $releases
     * @return list<array{rule: string, text: Phrase, sure: 'certain'|'usual'|'disputed'}>
     */
    private function objections(ContactRequest $request, Findings $found, Adhesion $adhesion, array $releases): array
    {
        $objections = array_map(static fn (Rule $rule): array => $rule->because(), $found->forbidden);
        if ($request->tested === false) {
            $objections[] = ['rule' => 'own-test', 'text' => Phrase::of('contact.own_test_failed'), 'sure' => 'certain'];
        }
        if ($request->surface->id === self::SKIN && ! $request->skinSafe) {
            $objections[] = ['rule' => 'skin-safe', 'text' => Phrase::of('contact.not_for_skin'), 'sure' => 'certain'];
        }
        $sealer = $this->knowledge->sealers[$request->state->sealedWith ?? ''] ?? null;
        $ruins = $sealer?->ruins($request->fresh, $request->surface);
        if ($sealer !== null && $ruins !== null) {
            $objections[] = [
                'rule' => "sealer-{$sealer->id}",
                'text' => Phrase::of('contact.sealer_ruins', ['sealer' => $sealer->name, 'why' => Phrase::written($ruins)]),
                'sure' => 'certain',
            ];
        }
        if ($request->release !== null) {
            $objections = [...$objections, ...$this->againstTheRelease($request, $request->release, $releases)];
        }
        if ($request->intent === Intent::Bond && $adhesion === Adhesion::LetsGo) {
            $objections[] = [
                'rule' => 'bond-nothing-holds',
                'text' => Phrase::of('contact.bond_finds_no_hold', [
                    'fresh' => $request->fresh->name, 'surface' => $request->surface->name,
                ]),
                'sure' => 'usual',
            ];
        }

        return $objections;
    }

    /** @return array{string, string} that it ruins what it is put between, and that it does not serve here */
    private static function rulesAgainst(Release $release): array
    {
        return ["never-{$release->id}", "wrong-{$release->id}"];
    }

    /**
     * @param  list<array{release: Release, fit: float, why: Phrase}>  $releases
     * @return list<array{rule: string, text: Phrase, sure: 'certain'|'usual'|'disputed'}>
     */
    private function againstTheRelease(ContactRequest $request, Release $release, array $releases): array
    {
        if ($request->intent === Intent::Bond) {
            return [
                [
                    'rule' => 'bond-greased', 'text' => Phrase::of('contact.bond_is_greased', ['release' => $release->name]),
                    'sure' => 'certain',
                ],
            ];
        }
        $ruins = $release->ruins($request->fresh, $request->surface);
        if ($ruins !== null) {
            return [
                [
                    'rule' => self::rulesAgainst($release)[0],
                    'text' => Phrase::of('contact.release_ruins', ['release' => $release->name, 'why' => Phrase::written($ruins)]),
                    'sure' => 'certain',
                ],
            ];
        }
        foreach ($releases as $entry) {
            if ($entry['release'] === $release) {
                return [];
            }
        }
        $why = match (true) {
            $request->touchesSkin() && ! $release->skinSafe => Phrase::of('contact.why_not_for_skin'),
            $request->paintAfter && $release->paint === 'never' => Phrase::of('contact.why_no_paint'),
            default => Phrase::of('contact.why_does_not_part', ['fresh' => $request->fresh->name, 'surface' => $request->surface->name]),
        };

        return [
            [
                'rule' => self::rulesAgainst($release)[1],
                'text' => Phrase::of('contact.wrong_release', ['release' => $release->name, 'why' => $why]), 'sure' => 'usual',
            ],
        ];
    }

    /**
     * @param  list<array{rule: string, text: Phrase, sure: string}>  $objections
     * @param  list<Rule>  $doubts
     */
    private function verdict(
        ContactRequest $request,
        Findings $found,
        array $objections,
        array $doubts,
        Adhesion $adhesion,
        Inhibition $inhibition,
    ): Verdict {
        return match (true) {
            $objections !== [], $inhibition === Inhibition::Stops => Verdict::Stop,
            $inhibition === Inhibition::MaySlow, $doubts !== [] => Verdict::TestFirst,
            $request->intent === Intent::Bond => $adhesion === Adhesion::Fuses ? Verdict::Clear : Verdict::TestFirst,
            $found->adhesion->asksSeal && $request->isPorous() => Verdict::SealAndRelease,
            $adhesion !== Adhesion::LetsGo => Verdict::Release,
            default => Verdict::Clear,
        };
    }

    private function isSafe(Verdict $verdict, ContactRequest $request): bool
    {
        return match ($verdict) {
            Verdict::Clear => true,
            Verdict::Release => $request->release !== null,
            default => false,
        };
    }

    /** @param  list<array{rule: string, text: Phrase, sure: string}>  $objections */
    private function inShort(
        Verdict $verdict,
        ContactRequest $request,
        Adhesion $adhesion,
        Inhibition $inhibition,
        array $objections,
    ): Phrase {
        $parts = Phrase::of("contact.{$adhesion->value}");

        return match ($verdict) {
            Verdict::Clear => $request->intent === Intent::Bond ? Phrase::of('contact.bonds') : $parts,
            Verdict::Release => $request->release === null
                ? Phrase::of('contact.no_release', ['parts' => $parts])
                : Phrase::of('contact.released'),
            Verdict::SealAndRelease => Phrase::of('contact.open_pores'),
            Verdict::TestFirst => Phrase::of(match (true) {
                $inhibition !== Inhibition::None => 'contact.may_not_cure',
                $request->intent === Intent::Bond => 'contact.may_not_bond',
                default => 'contact.test_it',
            }),
            Verdict::Stop => Phrase::of(match (true) {
                // What is forbidden is said before what would ruin it as well.
                $objections === [] => 'contact.will_not_cure',
                $request->release !== null
                    && in_array($objections[0]['rule'], self::rulesAgainst($request->release), true) => 'contact.wrong_release_in_short',
                default => 'contact.never',
            }),
        };
    }

    /** @return list<Phrase> */
    private function cautions(ContactRequest $request): array
    {
        $sealer = $this->knowledge->sealers[$request->state->sealedWith ?? ''] ?? null;
        $ids = [
            ...$request->fresh->hazards, ...($request->release->hazards ?? []), ...($sealer->hazards ?? []),
            ...($request->onSkin || $request->surface->id === self::SKIN ? ['skin-contact'] : []),
        ];

        $known = array_values(
            array_filter(
                array_map(
                    fn (string $id): ?Phrase => isset($this->knowledge->cautions[$id])
                        ? Phrase::written($this->knowledge->cautions[$id])
                        : null,
                    array_unique($ids),
                ),
            ),
        );

        return $request->worn && $request->release !== null && ! $request->release->skinSafe
            ? [Phrase::of('contact.release_comes_off', ['release' => $request->release->name]), ...$known]
            : $known;
    }
}
