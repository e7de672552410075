<?php

declare(strict_types=1);

namespace App\Providers;

use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrasebook;
use App\Contacts\ContactBook;
use App\Costs\CastsLeft;
use App\Database\QueueingConnector;
use App\Database\TextGate;
use App\Day\DayLook;
use App\Day\LiveWork;
use App\Devices\Cables;
use App\Devices\LabelPort;
use App\Devices\ProbePort;
use App\Devices\ScalePort;
use App\Devices\TcpScale;
use App\Devices\TcpThermometer;
use App\Devices\ThermometerPort;
use App\Http\ShopOfRequest;
use App\Library\Library;
use App\Library\LibraryFiles;
use App\Library\OwnShelf;
use App\Library\Prepared;
use App\Library\Recipes;
use App\Library\Softeners;
use App\Log\RecordedRun;
use App\Models\Hands;
use App\Models\Workshop;
use App\Moulds\Lives;
use App\People\AtPractice;
use App\People\Doorkeeper;
use App\People\Names;
use App\People\ShopAtHand;
use App\Pours\RunAtScale;
use App\PourSheets\Drafts;
use App\Practice\PracticeLines;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use App\Scale\WeighUps;
use App\Storage\ForgivingFileStore;
use App\Storage\ForgivingSessions;
use App\Storage\KeepPhoto;
use App\Studies\TakeModelIn;
use App\Swatches\ColourBook;
use App\Swatches\HardnessBook;
use App\Swatches\RecordedSeries;
use App\Swatches\SeriesAtScale;
use App\Swatches\SwatchDigests;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(
            Library::class,
            static fn ($app): Library => new Library(
                new LibraryFiles(
                    base_path('library'), app(Prepared::class), $app->configurationIsCached() ? config()->string('apalos.library') : null,
                ),
                static fn (): OwnShelf => app(OwnShelf::class),
            ),
        );
        $this->app->singleton(
            Prepared::class,
            static fn (): Prepared => new Prepared(storage_path('framework/cache/library'), config()->string('apalos.code')),
        );
        $this->app->scoped(OwnShelf::class);
        $this->app->scoped(Hands::class, static function ($app): Hands {
            $hands = new Hands;
            $app->runningInConsole() && ! $app->runningUnitTests() && $hands->through(Hands::CONSOLE);

            return $hands;
        });
        $this->app->scoped(Names::class);
        $this->app->scoped(AtPractice::class);
        $this->app->bind(
            Cables::class,
            static fn ($app): Cables => new Cables(
                $app->make(Workshop::class),
                ($at = $app->make(AtPractice::class))->in === null || $at->real === null
                    ? null
                    : new PracticeLines($at->in, (float) $at->real->format('U.u')),
            ),
        );
        $this->app->scoped(Doorkeeper::class);
        // On the machine itself the first is meant, until a command enters another.
        $this->app->scoped(
            ShopAtHand::class,
            static fn ($app): ShopAtHand => new ShopAtHand(
                static fn (): ?Workshop => $app->runningInConsole() && ! $app->runningUnitTests()
                    ? null
                    : ShopOfRequest::said($app->make('request')),
            ),
        );
        $this->app->scoped(Workshop::class, static fn ($app): Workshop => $app->make(ShopAtHand::class)->shop());
        // Not kept: units may change while a request is under way.
        $this->app->bind(
            Phrasebook::class,
            static fn ($app): Phrasebook => $app->make(Library::class)->words()->in(Measures::from($app->make(Workshop::class)->units)),
        );
        $this->app->bind(
            TakeModelIn::class,
            static fn ($app): TakeModelIn => new TakeModelIn(
                $app->make(Workshop::class),
                substr(sha1((string) ($app['request']->cookies->get(config()->string('session.cookie')) ?? $app['request']->ip())), 0, 16),
            ),
        );
        $this->app->scoped(KeepPhoto::class);
        $this->app->scoped(RoomTemperature::class);
        $this->app->scoped(CureClock::class);
        $this->app->scoped(Drafts::class);
        $this->app->scoped(LiveWork::class);
        $this->app->bind(CastsLeft::class, Lives::class);
        $this->app->bind(
            WeighUps::class,
            static fn ($app): WeighUps => new WeighUps([
                RecordedRun::STREAM => $app->make(RunAtScale::class), RecordedSeries::STREAM => $app->make(SeriesAtScale::class),
            ]),
        );
        $this->app->scoped(DayLook::class);
        $this->app->scoped(Recipes::class);
        $this->app->bind('db.connector.sqlite', QueueingConnector::class);
        $this->app->scoped(ContactBook::class);
        $this->app->scoped(SwatchDigests::class);
        $this->app->scoped(Softeners::class);
        $this->app->scoped(HardnessBook::class);
        $this->app->scoped(ColourBook::class);
        $this->app->bind(ScalePort::class, static fn ($app): ScalePort => new TcpScale($app->make(Cables::class)->lines('scale')));
        $this->app->bind(
            ThermometerPort::class,
            static fn ($app): ThermometerPort => new TcpThermometer($app->make(Cables::class)->lines('thermometer')),
        );
        $this->app->bind(LabelPort::class, static fn ($app): LabelPort => $app->make(Cables::class)->labelPrinter());
        $this->app->bind(
            ProbePort::class, static fn ($app): ProbePort => new TcpThermometer($app->make(Cables::class)->lines('probe'), 'probe'),
        );
    }

    public function boot(): void
    {
        Model::shouldBeStrict(! $this->app->isProduction());
        Date::use(CarbonImmutable::class);
        Event::listen('eloquent.saving: *', static function (string $event, array $models): void {
            array_map(static fn (mixed $model) => $model instanceof Model ? TextGate::saving($model) : null, $models);
        });
        if (config()->string('apalos.proxies') !== '') {
            TrustProxies::at(array_map(trim(...), explode(',', config()->string('apalos.proxies'))));
        }
        Cache::extend(
            'forgiving-file',
            fn ($app, array $config) => Cache::repository(new ForgivingFileStore($app['files'], $config['path']), $config),
        );
        Session::extend(
            'file',
            static fn ($app) => new ForgivingSessions(
                $app['files'], config()->string('session.files'), config()->integer('session.lifetime'),
            ),
        );
        // What is worked at beside the pages is of the shop whose page asked for it.
        Queue::createPayloadUsing(static fn (): array => ['shop' => app(Workshop::class)->id]);
        Event::listen(JobProcessing::class, static function (JobProcessing $begins): void {
            $shop = Workshop::query()->whereKey($begins->job->payload()['shop'] ?? 0)->first();
            $shop === null || $shop->is(app(Workshop::class)) || ShopAtHand::enter($shop);
        });
        RateLimiter::for(
            'api',
            static fn (Request $request): Limit => Limit::perMinute(config()->integer('apalos.api_a_minute'))->by($request->ip() ?? '')
        );
    }
}
