<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Run;

use Apalos\Core\Run\Grade;
use PHPUnit\Framework\TestCase;

final class GradeTest extends TestCase
{
    public function test_what_can_be_handed_over_counts_towards_the_job(): void
    {
        self::assertSame(
            ['usable', 'good', 'superb'],
            array_values(
                array_map(
                    static fn (Grade $grade): string => $grade->value,
                    array_filter(Grade::cases(), static fn (Grade $grade): bool => $grade->counts()),
                ),
            ),
        );
    }
}
