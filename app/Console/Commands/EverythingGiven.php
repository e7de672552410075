<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrasebook;
use App\Exchange\Everything;
use App\Exchange\TakeEverything;
use App\People\ShopAtHand;
use App\Storage\NotWritten;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Everything of the shop as one archive of open files, out and into an empty shop. */
final class EverythingGiven extends Command
{
    protected $signature = 'everything {way : give or take} {file : the archive} {--shop= : which of several, by its name at the door}';

    protected $description = 'Give everything as one archive of open files, or take it into an empty shop';

    public function handle(Phrasebook $words): int
    {
        $file = (string) $this->argument('file');
        try {
            is_string($shop = $this->option('shop')) && ShopAtHand::enter(ShopAtHand::named($shop));
            if ($this->argument('way') === 'give') {
                $this->line(app(Everything::class)->give($file, CarbonImmutable::now()));

                return self::SUCCESS;
            }
            if ($this->argument('way') === 'take') {
                foreach (array_filter(app(TakeEverything::class)($file)) as $part => $rows) {
                    $this->line("{$part}: {$rows}");
                }

                return self::SUCCESS;
            }
        } catch (BadInput $wrong) {
            $this->error($wrong->ofFile($words));

            return self::FAILURE;
        } catch (NotWritten $failed) {
            $this->error($words->say($failed->says));

            return self::FAILURE;
        }
        $this->error('Say give or take, and a file.');

        return self::INVALID;
    }
}
