<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Contact\Intent;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** One thing done to an impression. */
final readonly class Operation
{
    /**
     * @param  float  $minutes  of hands (or of the resource it needs)
     * @param  list<string>  $uses  `hands`, `chamber`, `pot`
     * @param  list<Wait>  $after
     * @param  string  $how  in a sentence
     * @param  list<string>  $cautions  ids
     * @param  list<Care>  $care  what is so once it is ticked off
     * @param  bool  $weighed  a check that what was made is dry: the scale proves it, weighing by weighing
     */
    public function __construct(
        public string $id,
        public OperationKind $kind,
        public string $name,
        public float $minutes,
        public array $uses,
        public array $after,
        public ?Mixing $mixing,
        public string $how,
        public array $cautions,
        public array $care = [],
        public bool $weighed = false,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('id', 'kind', 'name', 'minutes', 'uses', 'after', 'mix', 'how', 'cautions', 'care', 'weighed');
        $kind = $in->choice('kind', OperationKind::class);
        $id = $in->text('id');
        if (preg_match('/^[a-z0-9][a-z0-9-]{0,39}$/', $id) !== 1) {
            throw BadInput::at($in->at('id'), Phrase::of('build.bad_id', ['id' => mb_strimwidth($id, 0, 40, '…')]));
        }
        $mixing = $kind->mixes() ? Mixing::from($in->objectOrNull('mix') ?? Fields::of([], $in->at('mix'))) : null;
        if ($kind === OperationKind::Coat && $mixing?->thickness !== null && $mixing->thickness > BrushedMouldRequest::HOLDS_MM) {
            throw BadInput::at($in->object('mix')->at('thickness_mm'), Phrase::of('build.runs_off', [
                'thickness' => Quantity::length($mixing->thickness), 'most' => Quantity::length(BrushedMouldRequest::HOLDS_MM),
            ]));
        }

        return new self(
            $id, $kind, mb_substr($in->text('name'), 0, 120), $in->number('minutes', 0.0, 100_000.0),
            $in->has('uses') ? array_values(array_unique($in->strings('uses'))) : [DayOperation::HANDS],
            array_map(Wait::from(...), $in->objects('after', 20)), $mixing, mb_substr($in->textOrNull('how') ?? '', 0, 1000),
            $in->strings('cautions'),
            array_values(
                array_map(
                    static fn (string $care): Care => Care::tryFrom($care) ?? throw BadInput::at(
                        $in->at('care'), Phrase::of('build.unknown_care', ['care' => mb_strimwidth($care, 0, 40, '…')]),
                    ),
                    array_unique($in->has('care') ? $in->strings('care') : []),
                ),
            ),
            $in->has('weighed') && $in->bool('weighed'),
        );
    }

    /** A stiff shell round what was laid before, and let go by it; in a plan of before, what lets go of the last is one. */
    public function isJacket(): bool
    {
        return $this->mixing !== null
            && (
                $this->mixing->part === Part::Jacket
                || (
                    $this->mixing->part === Part::Layer
                    && $this->mixing->against === Against::Last
                    && $this->mixing->intent === Intent::Separate
                )
            );
    }

    /**
     * @return array{
     *     id: string, kind: string, name: string, minutes: float, uses: list<string>,
     *     after: list<array{op: string, from: float|string, until: float|string|null}>, mix: array<string, mixed>|null, how: string,
     *     cautions: list<string>, care: list<string>, weighed?: true,
     * }
     */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind->value, 'name' => $this->name, 'minutes' => $this->minutes, 'uses' => $this->uses,
            'after' => array_map(static fn (Wait $wait): array => $wait->toArray(), $this->after), 'mix' => $this->mixing?->toArray(),
            'how' => $this->how, 'cautions' => $this->cautions,
            'care' => array_map(static fn (Care $care): string => $care->value, $this->care),
            ...($this->weighed ? ['weighed' => true] : []),
        ];
    }
}
