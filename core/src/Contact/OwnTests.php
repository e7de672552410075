<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/**
 * What the shop's own tests said, each of one base on one surface with one sealer and one release: it clears, or stops, that
 * combination and nothing else. What a test leaves open in a question to the console holds for any.
 *
 * @phpstan-type OwnTest array{
 *     fresh: string, surface: string, base?: string|null, sealed_with?: string|null, release?: string|null, passed: bool,
 * }
 */
final readonly class OwnTests
{
    /** @param  list<OwnTest>  $tests  in the order in which they were read; what is not named holds for any */
    public function __construct(private array $tests = []) {}

    /** @throws BadInput for an id nobody knows */
    public static function from(Fields $in, Knowledge $knowledge): self
    {
        $tests = [];
        foreach ($in->objects('tests', 500) as $test) {
            $test->only('fresh', 'surface', 'passed', 'sealed_with', 'release');
            $one = [
                'fresh' => $knowledge->family($test->text('fresh'), $test->at('fresh'))->id,
                'surface' => $knowledge->surface($test->text('surface'), $test->at('surface'))->id, 'passed' => $test->bool('passed'),
            ];
            if (in_array('sealed_with', $test->names(), true)) {
                $one['sealed_with'] = $test->textOrNull('sealed_with');
            }
            if (in_array('release', $test->names(), true)) {
                $one['release'] = $test->textOrNull('release');
            }
            $tests[] = $one;
        }

        return new self($tests);
    }

    /** What the last test of just this said; null where it was never tested. */
    public function said(string $fresh, string $surface, ?string $base, ?string $sealedWith, ?string $release): ?bool
    {
        $asked = ['fresh' => $fresh, 'surface' => $surface, 'base' => $base, 'sealed_with' => $sealedWith, 'release' => $release];
        foreach (array_reverse($this->tests) as $test) {
            $passed = $test['passed'];
            unset($test['passed']);
            if (array_intersect_key($asked, $test) == $test) {
                return $passed;
            }
        }

        return null;
    }
}
