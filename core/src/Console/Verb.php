<?php

declare(strict_types=1);

namespace Apalos\Core\Console;

use Apalos\Core\Build\BrushedMould;
use Apalos\Core\Build\BrushedMouldRequest;
use Apalos\Core\Care\Drying;
use Apalos\Core\Care\MouldLife;
use Apalos\Core\Contact\ContactAnswer;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Cost\Costing;
use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Day\DayPlanner;
use Apalos\Core\Day\DayRequest;
use Apalos\Core\Fault\FaultFinder;
use Apalos\Core\Fault\FaultRequest;
use Apalos\Core\Fill\Bubbles;
use Apalos\Core\Fill\HollowSkin;
use Apalos\Core\Fill\Spout;
use Apalos\Core\Fill\SpoutRequest;
use Apalos\Core\Frame\BoxToCut;
use Apalos\Core\Frame\GangLayout;
use Apalos\Core\Harden\HardenRequest;
use Apalos\Core\Harden\SofteningPlanner;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\Topup;
use Apalos\Core\Mix\TopupRequest;
use Apalos\Core\Mould\MouldChooser;
use Apalos\Core\Mould\PieceRequest;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Practice\Debrief;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Tint\PhotoPatchReader;
use Apalos\Core\Tint\Tinter;
use Apalos\Core\Volume\VolumeEstimator;
use Apalos\Core\Volume\VolumeRequest;
use Apalos\Core\Water\Ballast;
use Apalos\Core\Water\BallastRequest;
use Apalos\Core\Ways\Ground;
use Apalos\Core\Ways\WaysFinder;

/** The questions the core answers, by name. The console and the web both ask through here. */
enum Verb: string
{
    case Mix = 'mix';
    case Topup = 'topup';
    case Cure = 'cure';
    case Volume = 'volume';
    case Harden = 'harden';
    case Tint = 'tint';
    case Patch = 'patch';
    case Series = 'series';
    case Contact = 'contact';
    case Mould = 'mould';
    case Build = 'build';
    case Schedule = 'schedule';
    case Sprue = 'sprue';
    case Bubbles = 'bubbles';
    case Gang = 'gang';
    case Box = 'box';
    case Ballast = 'ballast';
    case Roto = 'roto';
    case Life = 'life';
    case Dry = 'dry';
    case Cost = 'cost';
    case Faults = 'faults';
    case Ways = 'ways';
    case Debrief = 'debrief';

    public function question(): Phrase
    {
        return Phrase::of("console.verb_{$this->value}");
    }

    /**
     * @return array<string, mixed>
     *
     * @throws \Apalos\Core\Input\BadInput
     */
    public function answer(Fields $in, Shelves $shelves): array
    {
        return match ($this) {
            self::Mix => (new MixPlanner)->plan(MixRequest::from($in))->toArray(),
            self::Topup => (new Topup)->rescue(TopupRequest::from($in))->toArray(),
            self::Cure => (new Clock)->read(CureRequest::from($in))->toArray(),
            self::Volume => (new VolumeEstimator)->estimate(VolumeRequest::from($in))->toArray(),
            self::Harden => (new SofteningPlanner)->answer(HardenRequest::from($in))->toArray(),
            self::Tint => is_array($answer = (new Tinter)->ask($in)) ? $answer : $answer->toArray(),
            self::Patch => (new PhotoPatchReader)->read($in)->toArray(),
            self::Series => (new SeriesPlanner)->ask($in),
            self::Contact => ContactAnswer::to(
                ContactRequest::from($in, $shelves->contacts), $shelves->contacts, $shelves->materials,
            )->toArray(),
            self::Build => (new BrushedMould)->plan(BrushedMouldRequest::from($in))->toArray(),
            self::Schedule => (new DayPlanner)->plan(DayRequest::from($in))->toArray(),
            self::Sprue => (new Spout(SpoutRequest::from($in)))->fill()->toArray(),
            self::Bubbles => (new Bubbles)->ask($in),
            self::Gang => (new GangLayout)->ask($in),
            self::Box => (new BoxToCut)->ask($in),
            self::Ballast => (new Ballast)->reckon(BallastRequest::from($in))->toArray(),
            self::Life => (new MouldLife)->ask($in)->toArray(),
            self::Dry => (new Drying)->ask($in)->toArray(),
            self::Cost => (new Costing)->ask($in),
            self::Faults => (new FaultFinder($shelves->faults))->find(FaultRequest::from($in, $shelves->faults))->toArray(),
            self::Ways => (
                new WaysFinder(
                    new Ground(
                        $shelves->contacts, $shelves->moulds, $shelves->materials, $shelves->wear, $shelves->ways, $shelves->casting,
                    ),
                )
            )->ask($in),
            self::Debrief => (new Debrief($shelves->faults))->ask($in),
            self::Roto => (new HollowSkin)->ask($in),
            self::Mould => (new MouldChooser($shelves->moulds, $shelves->contacts))->choose(
                PieceRequest::from($in, $shelves->contacts),
            )->toArray(),
        };
    }
}
