<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** What to do before pouring, in the order it is done: dry, wait, seal, test, release. */
final readonly class PreparationPlan
{
    private const FLASH_OFF_MIN = 15.0;

    private const DRYING_MIN = 1440.0;

    /**
     * @param  list<array{release: Release, fit: float, why: string}>  $releases
     * @return list<Preparation>
     */
    public function of(ContactRequest $request, Verdict $verdict, Rule $adhesion, array $releases, Knowledge $knowledge): array
    {
        $plan = iterator_to_array($this->dryAndWait($request), false);
        if ($verdict === Verdict::SealAndRelease || ($verdict === Verdict::TestFirst && $adhesion->asksSeal && $request->isPorous())) {
            $plan = [...$plan, ...iterator_to_array($this->seal($request, $knowledge), false)];
        }
        if ($verdict === Verdict::TestFirst) {
            $plan[] = new Preparation('test', 'a thumbnail of the same mix, thickened and tinted so that it shows, on a hidden place', 1, 0.0, 'Wipe one spot with solvent first and leave one as it is. Demould it at its usual time: it must come away clean and dry.');
        }
        $asksRelease = in_array($verdict, [Verdict::Release, Verdict::SealAndRelease], true) || ($verdict === Verdict::TestFirst && $adhesion->gives !== Adhesion::LetsGo->value);
        $release = $request->release ?? ($asksRelease ? ($releases[0]['release'] ?? null) : null);
        if ($release !== null && $request->intent === Intent::Separate) {
            $coats = $adhesion->asksTwice ? max(2, $release->coats) : $release->coats;
            $plan[] = new Preparation('release', $release->name, $coats, $release->minutes($request->isPorous(), $coats), $release->how.($adhesion->asksTwice ? ' Twice, the second coat across the first.' : '').' Everywhere the two meet, walls and base too; the thinnest film on the detail.');
        }

        return $plan;
    }

    /** @return \Generator<Preparation> */
    private function dryAndWait(ContactRequest $request): \Generator
    {
        $watery = array_intersect(['watery', 'mineral'], $request->fresh->groups) !== [];
        if ($request->state->damp && ! $watery) {
            yield new Preparation('dry', $request->surface->name, 0, self::DRYING_MIN, 'Warm and airy until it weighs the same twice an hour apart.');
        }
        if ($request->state->solventMinAgo !== null && $request->state->solventMinAgo < self::FLASH_OFF_MIN) {
            yield new Preparation('wait', 'until the solvent has flashed off', 0, self::FLASH_OFF_MIN - $request->state->solventMinAgo, 'It must not smell any more.');
        }
    }

    /** @return \Generator<Preparation> */
    private function seal(ContactRequest $request, Knowledge $knowledge): \Generator
    {
        $fitting = array_filter($knowledge->sealers, static fn (Sealer $sealer): bool => $sealer->isFor($request->surface));
        usort($fitting, static fn (Sealer $a, Sealer $b): int => [$a->isDoubtfulUnder($request->fresh), $a->minutes()] <=> [$b->isDoubtfulUnder($request->fresh), $b->minutes()]);
        $sealer = $fitting[0] ?? null;
        if ($sealer !== null) {
            yield new Preparation('seal', $sealer->name, $sealer->coats, $sealer->minutes(), $sealer->text.($sealer->isDoubtfulUnder($request->fresh) ? " Test it under {$request->fresh->name} first." : ''));
        }
    }
}
