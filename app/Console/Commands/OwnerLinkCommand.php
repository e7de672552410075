<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Person;
use App\Models\Workshop;
use App\People\OwnerLink;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** A link that lets an owner in once: into a new shop, or back into one. Whoever is at the machine itself may have it. */
final class OwnerLinkCommand extends Command
{
    protected $signature = 'people:owner-link {--unless-there : say nothing where somebody can come in already}';

    protected $description = 'Give a link that lets the owner in, once, within a day';

    public function handle(OwnerLink $links, Workshop $workshop): int
    {
        if ($this->option('unless-there') === true && Person::here($workshop)->whereNotNull('passphrase')->exists()) {
            return self::SUCCESS;
        }
        $this->line(rtrim(config()->string('app.url'), '/').$links->give(CarbonImmutable::now()));

        return self::SUCCESS;
    }
}
