<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Budget;

/** K and S per mm in each band: of the base as it is, or of a pigment for one per cent of load. */
final readonly class Colourant
{
    private const MOST_DRAWDOWNS = 24;

    /** What one colourant may take where it is worked out alone. */
    private const STEPS = 12_000_000;

    /**
     * @param  list<float>  $k
     * @param  list<float>  $s
     * @param  bool  $isRough  its drawdowns were more than one question may look at
     */
    private function __construct(public string $name, public array $k, public array $s, public bool $isRough = false) {}

    /**
     * @param  list<float>  $k
     * @param  list<float>  $s
     */
    public static function of(string $name, array $k, array $s): self
    {
        return new self($name, $k, $s);
    }

    /**
     * Read from `ks`, or characterised from drawdowns: of a pigment with its base known, or of the base itself.
     *
     * @throws BadInput
     */
    public static function from(Fields $in, string $name, ?self $base, ?Budget $budget = null): self
    {
        if ($in->has('ks')) {
            $ks = $in->object('ks')->only('k', 's');
            foreach (['k', 's'] as $which) {
                if (count($ks->numbers($which, 0.0, 1e4)) !== Observer::BANDS) {
                    throw BadInput::at($ks->at($which), Phrase::of('tint.no_bands', ['bands' => Observer::BANDS]));
                }
            }

            return new self($name, $ks->numbers('k', 0.0, 1e4), $ks->numbers('s', 0.0, 1e4));
        }
        $drawdowns = $in->objects('drawdowns', self::MOST_DRAWDOWNS);
        if ($drawdowns === []) {
            throw BadInput::at($in->at('drawdowns'), Phrase::of('tint.not_characterised', ['name' => $name]));
        }

        return self::characterised($name, $drawdowns, $base, $budget ?? new Budget(self::STEPS));
    }

    /** @param  list<Fields>  $drawdowns */
    private static function characterised(string $name, array $drawdowns, ?self $base, Budget $budget): self
    {
        $known = [];
        // Most lie on the same two cards.
        $card = static function (Lab $lab) use (&$known): array {
            return $known[implode(',', $lab->toArray())] ??= Spectrum::of($lab);
        };

        return new self(
            $name,
            ...Characterisation::of(
                array_map(static fn (Fields $drawdown): Drawdown => self::drawdown($drawdown, $base !== null, $card), $drawdowns), $base,
                $budget,
            ),
        );
    }

    /** @param  callable(Lab): list<float>  $spectrum */
    private static function drawdown(Fields $in, bool $isPigment, callable $spectrum): Drawdown
    {
        $in->only('load_pct', 'thickness_mm', 'over_white', 'over_black', 'white', 'black');
        $card = static fn (string $key): ?Lab => $in->has($key) ? Lab::from($in, $key) : null;
        $cards = Backings::of($card('white'), $card('black'), $in->at('black'));

        return new Drawdown(
            $isPigment ? $in->positive('load_pct', 100.0) : 1.0, $in->positive('thickness_mm', 100.0),
            Lab::from($in, 'over_white'), Lab::from($in, 'over_black'), $spectrum($cards->white), $spectrum($cards->black),
        );
    }
}
