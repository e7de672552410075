<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** Which releases part a pair, best first, and which would ruin it. */
final readonly class ReleaseRanking
{
    /** What this shop holds comes before what is a little better. */
    private const OWN_SCHOOL = 0.2;

    /** @return list<array{release: Release, fit: float, why: Phrase}> */
    public function of(ContactRequest $request, Knowledge $knowledge): array
    {
        $ranked = [];
        foreach ($knowledge->releases as $release) {
            if (! ($knowledge->isAtHand($release) || $release === $request->release) || ! $release->isFor(
                $request->fresh, $request->surface,
            ) || $release->ruins($request->fresh, $request->surface) !== null
                || ($request->touchesSkin() && ! $release->skinSafe) || ($request->paintAfter && $release->paint === 'never')) {
                continue;
            }
            $own = $knowledge->schools()->prefers($release->id);
            $ranked[] = [
                'release' => $release, 'fit' => round(min(1.0, $this->fit($release, $request) + ($own ? self::OWN_SCHOOL : 0.0)), 3),
                'why' => $this->why($release, $request, $own), 'own' => $own,
            ];
        }
        // For a piece worn on skin one that is not for skin never comes first, however well it parts.
        $behind = static fn (Release $release): int => $request->worn && ! $release->skinSafe ? 1 : 0;
        usort(
            $ranked,
            static fn (array $a, array $b): int => [
                $behind($a['release']), $b['own'], $b['fit'], $a['release']->id,
            ] <=> [$behind($b['release']), $a['own'], $a['fit'], $b['release']->id],
        );

        return array_map(
            static fn (array $one): array => ['release' => $one['release'], 'fit' => $one['fit'], 'why' => $one['why']], $ranked,
        );
    }

    /** @return list<array{release: Release, why: Phrase}> */
    public function ruinous(ContactRequest $request, Knowledge $knowledge): array
    {
        $ruinous = [];
        foreach ($knowledge->releases as $release) {
            $why = $release->ruins($request->fresh, $request->surface);
            if ($why !== null) {
                $ruinous[] = ['release' => $release, 'why' => Phrase::written($why)];
            }
        }

        return $ruinous;
    }

    /** From 0 to 1: detail and paint where they matter, then air, time and money; a disputed one comes last. */
    private function fit(Release $release, ContactRequest $request): float
    {
        $fit = 1.0
            - $release->hides * ($request->fineDetail ? 0.15 : 0.04)
            - ($request->paintAfter && $release->paint === 'wash' ? 0.05 : 0.0)
            - ($release->vapour ? 0.08 : 0.0)
            - ($release->sure === Sure::Disputed ? 0.35 : 0.0)
            - min(0.15, $release->minutes($request->isPorous(), $release->coats) / 400.0)
            - min(0.1, $release->cost * 0.2);

        return round(max(0.0, $fit), 3);
    }

    private function why(Release $release, ContactRequest $request, bool $own): Phrase
    {
        $words = [
            ...($own ? [Phrase::of('contact.own_school')] : []),
            Phrase::of("contact.hides_{$release->hides}"),
            Phrase::of($release->skinSafe ? 'contact.safe_on_skin' : 'contact.not_on_skin'),
            Phrase::of("contact.paint_{$release->paint}"),
            Phrase::of($release->coats === 1 ? 'contact.one_coat' : 'contact.coats', [
                'n' => $release->coats, 'apart' => Quantity::duration($release->betweenMin),
            ]),
        ];
        $wait = $request->isPorous() ? $release->porousAfterMin : $release->afterMin;
        if ($wait > 0.0) {
            $words[] = Phrase::of('contact.wait_min', ['wait' => Quantity::duration($wait)]);
        }
        if ($release->vapour) {
            $words[] = Phrase::of('contact.vapour');
        }
        if ($release->sure === Sure::Disputed) {
            $words[] = Phrase::of('contact.schools_differ');
        }

        return Phrase::of('contact.why_release', ['words' => $words]);
    }
}
