<?php

declare(strict_types=1);

namespace Apalos\Core\Cost;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** An amount of money, exact: kept as a fraction until it is written down, then rounded half up to the cent. */
final readonly class Money
{
    private const MOST = '100000000';

    private function __construct(private BigRational $amount) {}

    public static function none(): self
    {
        return new self(BigRational::zero());
    }

    /**
     * A price as it is written: a text with a point and two decimals at most, so that nothing is lost on its way.
     *
     * @throws BadInput
     */
    public static function written(Fields $in, string $key): self
    {
        $text = $in->text($key);
        if (preg_match('/^\d{1,9}(\.\d+)?$/', $text) !== 1) {
            throw BadInput::at($in->at($key), Phrase::of('cost.no_price', ['text' => mb_strimwidth($text, 0, 20, '…')]));
        }
        if (preg_match('/\.\d{3,}$/', $text) === 1) {
            throw BadInput::at($in->at($key), Phrase::of('cost.three_decimals', ['text' => mb_strimwidth($text, 0, 20, '…')]));
        }
        $amount = BigRational::of($text);

        return $amount->isGreaterThan(self::MOST)
            ? throw BadInput::at($in->at($key), Phrase::of('cost.no_price', ['text' => $text]))
            : new self($amount);
    }

    public function plus(self $other): self
    {
        return new self($this->amount->plus($other->amount));
    }

    public function minus(self $other): self
    {
        return new self($this->amount->minus($other->amount));
    }

    /** By a number of grams, minutes or casts: to twelve digits, which no scale reads. */
    public function times(float|int $factor): self
    {
        return new self($this->amount->multipliedBy(self::exact($factor)));
    }

    public function over(float|int $divisor): self
    {
        return new self($this->amount->dividedBy(self::exact($divisor)));
    }

    /** Rounded half up to the cent, as a line of a bill is; it goes on as what was written. */
    public function cents(): self
    {
        return new self(BigRational::of($this->toString()));
    }

    /** In hundredths of the other; nought where that is nothing. */
    public function shareOf(self $whole): float
    {
        return $whole->amount->isZero() ? 0.0 : 100.0 * $this->amount->dividedBy($whole->amount)->toFloat();
    }

    public function isMoreThan(self $other): bool
    {
        return $this->amount->isGreaterThan($other->amount);
    }

    /** How many times the other goes into it, as a number. */
    public function per(self $other): float
    {
        return $this->amount->dividedBy($other->amount)->toFloat();
    }

    public function toString(): string
    {
        return (string) $this->amount->toScale(2, RoundingMode::HALF_UP);
    }

    private static function exact(float|int $number): BigDecimal
    {
        return BigDecimal::of(is_int($number) ? $number : rtrim(rtrim(number_format($number, 12, '.', ''), '0'), '.'));
    }
}
