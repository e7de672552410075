<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Exchange\WholeSense;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Reads the whole shop once and says what of it cannot be read. */
final class CheckShop extends Command
{
    private const SAID = 200;

    protected $signature = 'shop:check';

    protected $description = 'Read everything once, as the screens read it, and say what cannot be read';

    public function handle(WholeSense $sense): int
    {
        $found = 0;
        foreach ($sense->found(CarbonImmutable::now()) as $one) {
            if (++$found <= self::SAID) {
                $this->line(trim("{$one['part']} {$one['id']} {$one['name']}").": {$one['why']}.");
            }
        }
        $this->line(
            $found === 0
                ? 'All of it can be read.'
                : "{$found} things cannot be read. The screens show them as such, and everything else goes on; a pour or a build can be put off the bench on its own page.",
        );

        return self::SUCCESS;
    }
}
