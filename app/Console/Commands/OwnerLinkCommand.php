<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrasebook;
use App\Models\Person;
use App\Models\Workshop;
use App\People\OwnerLink;
use App\People\ShopAtHand;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** A link that lets an owner in once: into a new shop, or back into one. Whoever is at the machine itself may have it. */
final class OwnerLinkCommand extends Command
{
    protected $signature = 'people:owner-link {--shop= : which of several, by its name at the door} {--unless-there : say nothing where somebody can come in already}';

    protected $description = 'Give a link that lets the owner in, once, within a day';

    public function handle(Phrasebook $words): int
    {
        try {
            is_string($shop = $this->option('shop')) && ShopAtHand::enter(ShopAtHand::named($shop));
        } catch (BadInput $wrong) {
            $this->error($words->say($wrong->says));

            return self::FAILURE;
        }
        [$links, $workshop] = [app(OwnerLink::class), app(Workshop::class)];
        if ($this->option('unless-there') === true && Person::here($workshop)->whereNotNull('passphrase')->exists()) {
            return self::SUCCESS;
        }
        $this->line(rtrim(config()->string('app.url'), '/').$links->give(CarbonImmutable::now()));

        return self::SUCCESS;
    }
}
