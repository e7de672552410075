<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrasebook;
use App\Models\Person;
use App\Models\Workshop;
use App\People\OpenShop;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** The shops of this server, and one more. */
final class Shops extends Command
{
    protected $signature = 'shops {new? : the name of one more} {--as= : what it is called at the door; else made of its name}';

    protected $description = 'List the shops of this server, or open one more';

    public function handle(OpenShop $open, Phrasebook $words): int
    {
        if (! is_string($name = $this->argument('new'))) {
            foreach (Workshop::query()->orderBy('id')->get() as $shop) {
                $this->line(sprintf('%s: %s, %d people', $shop->known_as ?? 'alone', $shop->name, Person::here($shop)->count()));
            }

            return self::SUCCESS;
        }
        try {
            foreach ($open($name, is_string($as = $this->option('as')) ? $as : null, CarbonImmutable::now()) as $shop => $link) {
                $this->line("The owner of {$shop} comes in, once, within a day: ".rtrim(config()->string('app.url'), '/').$link);
            }
        } catch (BadInput $wrong) {
            $this->error($words->say($wrong->says));

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
