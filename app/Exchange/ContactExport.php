<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Models\OwnRule;
use App\Models\TestPatch;
use App\Models\Workshop;
use Symfony\Component\Yaml\Yaml;

/** Rules and tests of the shop's own as a file; where there are none yet, the YAML is a template that explains itself. */
final readonly class ContactExport
{
    private const TEMPLATE = <<<'YAML'
        # Rules and tests of your own for Apalos. Take the mark from the lines you need, fill them in, and take the file in on Contacts.
        # A rule may narrow what is usual, never overrule what is certain; it is written as those in library/contacts/rules.yaml.
        rules: []
        tests: []

        # rules:
        #   - id: my-primer            # a name of its own
        #     kind: inhibition         # adhesion, inhibition or forbid
        #     fresh: [silicone-platinum]   # what is fresh: ids, @groups or *
        #     surface: [painted]       # on what
        #     when: { sealed: true }   # sealed, damp, latex_touched, proved_dry, post_cured, hours_below, hours_from,
        #                              # solvent_below; leave it out for always
        #     gives: may-slow          # adhesion: lets-go, grips, fuses. inhibition: none, may-slow, stops. forbid: never
        #     sure: usual              # certain, usual or disputed
        #     text: 'Our grey primer slows it for a week.'
        # tests:
        #   - fresh: silicone-platinum
        #     surface: painted
        #     passed: true             # it cured and came away
        #     base: pr-10              # house code of what was tested; without one it speaks for no base in particular
        #     sealed_with: shellac     # the sealer under it, and the release, where there was one: it speaks for just that
        #     release: petroleum-jelly
        #     place: 'under the foot'
        #     note: 'three days after the primer'
        #     read_at: '2026-01-05T10:00:00+00:00'

        YAML;

    public function __construct(private Workshop $workshop) {}

    /** @return array{rules: list<array<string, mixed>>, tests: list<array<string, mixed>>} */
    public function everything(): array
    {
        $tests = $this->workshop->testPatches()->whereNotNull('passed')->orderBy('id')->get();

        return [
            'rules' => array_values(
                $this->workshop->ownRules()->orderBy('id')->get()->map(static fn (OwnRule $own): array => $own->rule)->all(),
            ),
            'tests' => array_values($tests->map(static fn (TestPatch $patch): array => array_filter([
                'fresh' => $patch->fresh, 'surface' => $patch->surface, 'passed' => $patch->passed, 'base' => $patch->base,
                'sealed_with' => $patch->sealed_with, 'release' => $patch->released_with,
                'place' => $patch->place, 'note' => $patch->note, 'read_at' => $patch->read_at?->toIso8601String(),
            ], static fn (mixed $value): bool => $value !== null))->all()),
        ];
    }

    public function yaml(): string
    {
        $all = $this->everything();

        return $all['rules'] === [] && $all['tests'] === [] ? self::TEMPLATE : Yaml::dump($all, 4, 4);
    }
}
