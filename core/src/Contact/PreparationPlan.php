<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Phrase\Phrase;

/** What to do before pouring, in the order it is done: dry, wait, seal, test, release. */
final readonly class PreparationPlan
{
    /**
     * @param  list<array{release: Release, fit: float, why: Phrase}>  $releases
     * @return list<Preparation>
     */
    public function of(ContactRequest $request, Verdict $verdict, Rule $adhesion, array $releases, Knowledge $knowledge): array
    {
        $plan = iterator_to_array($this->dryAndWait($request, $knowledge), false);
        if ($verdict === Verdict::SealAndRelease || ($verdict === Verdict::TestFirst && $adhesion->asksSeal && $request->isPorous())) {
            $plan = [...$plan, ...iterator_to_array($this->seal($request, $knowledge), false)];
        }
        if ($verdict === Verdict::TestFirst) {
            $plan[] = new Preparation('test', Phrase::of('contact.test_what'), 1, 0.0, Phrase::of('contact.test_how'));
        }
        $asksRelease = in_array($verdict, [Verdict::Release, Verdict::SealAndRelease], true)
            || ($verdict === Verdict::TestFirst && $adhesion->gives !== Adhesion::LetsGo->value);
        $release = $request->release ?? ($asksRelease ? ($releases[0]['release'] ?? null) : null);
        if ($release !== null && $request->intent === Intent::Separate) {
            $coats = $adhesion->asksTwice ? max(2, $release->coats) : $release->coats;
            $plan[] = new Preparation(
                'release', Phrase::written($release->name), $coats, $release->minutes($request->isPorous(), $coats),
                Phrase::of($adhesion->asksTwice ? 'contact.release_twice' : 'contact.release_how', [
                    'how' => Phrase::written($release->how),
                ]),
                $release->vapour,
            );
        }

        return $plan;
    }

    /** @return \Generator<Preparation> */
    private function dryAndWait(ContactRequest $request, Knowledge $knowledge): \Generator
    {
        $watery = array_intersect(['watery', 'mineral'], $request->fresh->groups) !== [];
        $asked = $knowledge->asks('proved_dry', $request->fresh, $request->surface)
            || ($request->state->damp && ! $watery && $request->surface->holdsWater());
        if ($asked && ! $request->state->isProvedDry()) {
            yield new Preparation(
                'dry', Phrase::written($request->surface->name), 0, $knowledge->minutes('prove-dry'), Phrase::of('contact.prove_dry_how'),
            );
        } elseif ($request->state->damp && ! $watery) {
            yield new Preparation(
                'dry', Phrase::written($request->surface->name), 0, $knowledge->minutes('dry'), Phrase::of('contact.dry_how'),
            );
        }
        $flash = $knowledge->minutes('flash-off');
        if ($request->state->solventMinAgo !== null && $request->state->solventMinAgo < $flash) {
            yield new Preparation(
                'wait', Phrase::of('contact.wait_what'), 0, $flash - $request->state->solventMinAgo, Phrase::of('contact.wait_how'),
            );
        }
    }

    /** @return \Generator<Preparation> */
    private function seal(ContactRequest $request, Knowledge $knowledge): \Generator
    {
        $fitting = array_filter(
            $knowledge->sealers,
            static fn (Sealer $sealer): bool => $knowledge->isAtHand($sealer)
                && $sealer->isFor($request->surface)
                && $sealer->ruins($request->fresh, $request->surface) === null,
        );
        usort(
            $fitting,
            static fn (Sealer $a, Sealer $b): int => [
                $a->isDoubtfulUnder($request->fresh), $knowledge->schools()->prefers($b->id), $a->minutes(),
            ] <=> [$b->isDoubtfulUnder($request->fresh), $knowledge->schools()->prefers($a->id), $b->minutes()],
        );
        $sealer = $fitting[0] ?? null;
        if ($sealer !== null) {
            yield new Preparation(
                'seal', Phrase::written($sealer->name), $sealer->coats, $sealer->minutes(),
                Phrase::of(
                    $sealer->isDoubtfulUnder($request->fresh) ? 'contact.seal_and_test' : 'contact.seal_how',
                    ['how' => Phrase::written($sealer->text), 'fresh' => $request->fresh->name],
                ),
            );
        }
    }
}
