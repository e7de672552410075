<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\Campaign;
use Apalos\Core\Care\Pairing;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Mould\MouldChooser;
use Apalos\Core\Mould\MouldOrder;
use Apalos\Core\Mould\PieceRequest;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Stock\Prices;
use App\Types\View;

/** The kinds of moulds for a piece in their order, and what that order rests on. */
final readonly class MouldAnswerView implements View
{
    /** Of more, the softest. */
    private const RUBBERS = 8;

    public function __construct(private Library $library, private ContactBook $contacts, private Prices $prices, private Fields $asked) {}

    /**
     * @return array{
     *     ranked: list<array{
     *         kind: string, name: string, for: list<Phrase>, against: list<Phrase>, parts: list<string>, chemistry: string,
     *         hardness: array{low: float, high: float, why: Phrase}|null, rubber_g: float, hours: float, cost: float,
     *         decides: Phrase|null, first_if: list<Phrase>,
     *         campaign: array{moulds: int, chance: float, one_more: float, remake_after: int},
     *         rubbers: list<array{code: string, name: string, shore: string, casts: float, moulds: int}>
     *     }>,
     *     paid: list<string>, schools: list<Phrase>, margin_mm: float, warnings: list<array{code: string, message: Phrase}>
     * }
     */
    public function toArray(): array
    {
        // What this shop pays, where it has said so.
        $paid = $this->prices->perKilogram();
        $chooser = new MouldChooser($this->library->moulds()->withPrices($paid), $this->contacts->knowledge());
        $piece = PieceRequest::from($this->asked, $this->contacts->knowledge());
        $result = $chooser->choose($piece);
        $order = new MouldOrder($chooser);
        [$decides, $swings] = [$order->between($result->ranked), $order->swings($piece, $result->ranked)];
        $answer = $result->toArray();

        return [
            'ranked' => array_map(fn (array $m): array => [
                'kind' => $m['kind'], 'name' => $m['name'], 'for' => $m['for'], 'against' => $m['against'], 'parts' => $m['parts'],
                'chemistry' => $m['chemistry'],
                'hardness' => $m['hardness'], 'rubber_g' => $m['rubber_g'], 'hours' => $m['hours'], 'cost' => $m['cost'],
                'decides' => $decides[$m['kind']] ?? null, 'first_if' => $swings[$m['kind']] ?? [],
                'campaign' => $this->campaign($piece, $m['kind'], $m['chemistry'])->toArray(),
                'rubbers' => $this->rubbers($piece, $m['kind'], $m['chemistry']),
            ], $answer['ranked']),
            'paid' => array_keys($paid), 'schools' => $answer['schools'], 'margin_mm' => $answer['margin_mm'],
            'warnings' => $answer['warnings'],
        ];
    }

    /** How many of this kind so many casts take, by what is usual for its material under what is cast; released each time. */
    private function campaign(PieceRequest $piece, string $kind, string $chemistry): Campaign
    {
        $families = $this->contacts->knowledge()->families;
        $usual = $this->library->wear()->here(
            $families[$chemistry] ?? null, $families[$piece->words['casting']] ?? null, true, null, null, $piece->undercuts(),
        );
        $lasts = $this->library->moulds()->kinds[$kind]->lasts ?? null;

        return Campaign::of($piece->casts, $lasts === null ? $usual : new Pairing((float) $lasts, $usual->spread, $usual->longer));
    }

    /**
     * What each rubber at hand of this chemistry brings, softest first: casts it usually stands here, and how many moulds of it so many
     * casts take.
     *
     * @return list<array{code: string, name: string, shore: string, casts: float, moulds: int}>
     */
    private function rubbers(PieceRequest $piece, string $kind, string $chemistry): array
    {
        $families = $this->contacts->knowledge()->families;
        if (
            ($this->library->moulds()->kinds[$kind]->lasts ?? null) !== null
            || ! isset($families[$chemistry], $families[$piece->words['casting']])
        ) {
            return [];
        }
        $bases = array_filter(
            $this->library->atHand()->bases, static fn (BaseSheet $base): bool => $base->family === $chemistry && $base->shoreA() !== null,
        );
        uasort($bases, static fn (BaseSheet $one, BaseSheet $other): int => $one->shoreA() <=> $other->shoreA());
        $rows = [];
        foreach (array_slice($bases, 0, self::RUBBERS) as $base) {
            $lasts = $this->library->wear()->here(
                $families[$chemistry], $families[$piece->words['casting']], true, $base->sheet()->numberOrNull('tear_n_mm'),
                $base->shoreA(), $piece->undercuts(),
            );
            $rows[] = [
                'code' => $base->code, 'name' => $base->name, 'shore' => $base->shore() ?? '', 'casts' => $lasts->median,
                'moulds' => Campaign::of($piece->casts, $lasts)->moulds,
            ];
        }

        return $rows;
    }
}
