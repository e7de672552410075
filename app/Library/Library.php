<?php

declare(strict_types=1);

namespace App\Library;

use Apalos\Core\Build\ReadyMade;
use Apalos\Core\Care\BeforeCast;
use Apalos\Core\Care\Wear;
use Apalos\Core\Casting\CastingWay;
use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\Schools;
use Apalos\Core\Fault\FaultBook;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mould\MouldLibrary;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Sheet\Completion;
use Apalos\Core\Sheet\SheetForm;
use Apalos\Core\Sheet\SheetKind;
use Apalos\Core\Units\Temperature;
use Apalos\Core\Ways\WaysBook;

/** The knowledge in `library/`, as the core knows it, and beside it the sheets this shop has written. */
final class Library
{
    private ?Shelf $shelf = null;

    private ?Shelf $atHand = null;

    private ?Knowledge $shipped = null;

    private ?Knowledge $knowledge = null;

    private ?FaultBook $faultBook = null;

    private ?Wear $wear = null;

    private ?CastingWays $castings = null;

    /** @var \Closure(): OwnShelf */
    private readonly \Closure $own;

    /** @param  callable(): OwnShelf  $own  asked only where sheets are: an empty folder has words all the same */
    public function __construct(private readonly LibraryFiles $files, callable $own)
    {
        $this->own = $own(...);
    }

    public function shelf(): Shelf
    {
        return $this->shelf ??= $this->shippedShelf()->and(Shelf::of([
            ...array_values($this->own('base')), ...array_values($this->own('additive')),
        ]));
    }

    private function shippedShelf(): Shelf
    {
        return $this->files->object(
            Shelf::class, $this->files->stamp('materials/*.yaml'),
            fn (): Shelf => Shelf::of(array_values($this->files->read('materials/*.yaml'))),
        );
    }

    /** What of it this shop has. */
    public function atHand(): Shelf
    {
        return $this->atHand ??= $this->shelf()->without(($this->own)()->off());
    }

    /** @return array<string, array<string, mixed>> sheets of the shop's own, by code */
    public function own(string $kind): array
    {
        $sheets = ($this->own)()->sheets(
            $this->files->stamp('contacts/*.yaml', 'usual.yaml'), fn (array $sheet): array => $this->completion()->of($sheet),
        );

        return $sheets[$kind] ?? [];
    }

    /** @return array<string, array<string, mixed>> every sheet of a kind by code, shipped ones first */
    public function sheets(SheetKind $kind): array
    {
        return [...$this->shippedOf($kind), ...$this->own($kind->value)];
    }

    /** @return array<string, mixed>|null a sheet as it was written: nothing stands in for what was left open */
    public function written(SheetKind $kind, string $code): ?array
    {
        $shipped = $this->shippedOf($kind)[$code] ?? null;

        return $shipped === null
            ? OwnShelf::current()->where('code', $code)->where('kind', $kind)->first()?->sheet
            : ['code' => $code, ...$shipped];
    }

    /** @return array<string, array<string, mixed>> */
    private function shippedOf(SheetKind $kind): array
    {
        if ($kind === SheetKind::Base || $kind === SheetKind::Additive) {
            return array_filter(
                $this->files->read('materials/*.yaml'), static fn (array $sheet): bool => ($sheet['kind'] ?? null) === $kind->value,
            );
        }

        /** @var array<string, array<string, mixed>> */
        return $this->files->read('contacts/*.yaml')["{$kind->value}s"];
    }

    public function completion(): Completion
    {
        return new Completion(
            Fields::of($this->files->read('usual.yaml')['usual'] ?? [], 'usual'), $this->shippedKnowledge()->families,
            $this->shippedKnowledge()->surfaces,
        );
    }

    public function sheetForm(SheetKind $kind): SheetForm
    {
        return SheetForm::of($kind, $this->files->read('sheet-fields.yaml')['sheet-fields'][$kind->value] ?? []);
    }

    /** What the library knows of contacts, before the shop's own rules. */
    public function knowledge(): Knowledge
    {
        return $this->knowledge ??= $this->shippedKnowledge()
            ->and($this->own('surface'), $this->own('release'), $this->own('sealer'))
            ->without(($this->own)()->off())
            ->holding($this->held());
    }

    /** What this shop holds where schools differ. */
    private function held(): Schools
    {
        return Schools::of($this->schools(), ($this->own)()->schools());
    }

    private function shippedKnowledge(): Knowledge
    {
        return $this->shipped ??= $this->files->object(
            Knowledge::class, $this->files->stamp('contacts/*.yaml', 'cautions.yaml'), function (): Knowledge {
                $read = $this->files->read('contacts/*.yaml');

                return Knowledge::of(
                    $read['families'], $read['surfaces'], $read['rules'], $read['releases'], $read['sealers'], $this->cautions(),
                    $read['waits'],
                );
            },
        );
    }

    public function moulds(): MouldLibrary
    {
        return MouldLibrary::of($this->files->read('mould-kinds.yaml')['mould-kinds'] ?? []);
    }

    /** How each thing is worked on a run. */
    public function castings(): CastingWays
    {
        return $this->castings ??= $this->files->object(
            CastingWays::class, $this->files->stamp('casting/*.yaml'),
            fn (): CastingWays => CastingWays::of($this->files->read('casting/*.yaml')),
        );
    }

    /** How a cast of this base is worked in this shop. */
    public function way(BaseSheet $base): CastingWay
    {
        return $this->castingsHere()->choose($base->casting, $base->family, $base->ratio->isOnePart(), false);
    }

    /**
     * How warm a base, cured, or a surface may get for the minutes of a cast: as its sheet says, else as its chemistry does; null where
     * nobody knows.
     */
    public function bearsHeat(string $code): ?Temperature
    {
        $base = $this->shelf()->bases[$code] ?? null;
        $knowledge = $this->knowledge();

        return $base?->bearsHeat()
            ?? ($knowledge->surfaces[$base === null ? $code : ($knowledge->families[$base->family]->curesTo ?? '')] ?? null)?->bears;
    }

    /** The same as this shop does it. */
    public function castingsHere(): CastingWays
    {
        return $this->castings()->instead($this->held()->castings);
    }

    /** @return array<string, array{ask: string, options: array<string, array{name: string, says: string}>}> where schools differ */
    public function schools(): array
    {
        /** @var array<string, array{ask: string, options: array<string, array{name: string, says: string}>}> */
        return $this->files->read('schools.yaml')['schools'] ?? [];
    }

    /** @return array<string, mixed> who may what, and which door asks for what */
    public function roles(): array
    {
        /** @var array<string, mixed> */
        return $this->files->read('roles.yaml')['roles'] ?? [];
    }

    /** @return list<array<string, mixed>> how scales at tablets write down what they show, the most telling first */
    public function scaleLines(): array
    {
        /** @var list<array<string, mixed>> */
        return $this->files->read('scale-lines.yaml')['scale-lines']['lines'] ?? [];
    }

    /**
     * @return list<array{id: string, word: string, also: list<string>, says: string, mark: string}> words of the craft, each with a
     *   sentence and the strokes of a mark in a field of 24 by 24
     */
    public function glossary(): array
    {
        $words = [];
        /** @var array<string, array{word: string, also?: list<string>, says: string, mark: string}> $read */
        $read = $this->files->read('glossary/*.yaml')['words'] ?? [];
        foreach ($read as $id => $word) {
            $words[] = [
                'id' => (string) $id, 'word' => $word['word'], 'also' => $word['also'] ?? [], 'says' => $word['says'],
                'mark' => $word['mark'],
            ];
        }

        return $words;
    }

    /**
     * @return array{
     *     pieces: array<string, array{families: list<string>, wash: string, store: string, keep_from: string, allergies: string}>,
     *     not_certified: string,
     * } what whoever gets a piece should know
     */
    public function pieceCare(): array
    {
        /**
         * @var array{
         *     pieces: array<string, array{families: list<string>, wash: string, store: string, keep_from: string, allergies: string}>,
         *     not_certified: string,
         * }
         */
        return $this->files->read('piece-care.yaml')['piece-care'];
    }

    /** @return array<string, array<string, mixed>> what ships to be practised, by id */
    public function practice(): array
    {
        return $this->files->read('practice/*.yaml');
    }

    /** What somebody did who went through a door of `decide` or `own`: *took the job away*. Null where nothing was done. */
    public function did(string $door): ?string
    {
        $did = [...(array) ($this->roles()['decide'] ?? []), ...(array) ($this->roles()['own'] ?? [])][$door] ?? null;

        return is_string($did) ? $did : null;
    }

    /** @return array<string, string> what the fields are called that somebody decides by */
    public function decidedFields(): array
    {
        return array_filter(
            (array) ($this->roles()['fields'] ?? []),
            static fn (mixed $called, int|string $field): bool => is_string($called) && is_string($field), ARRAY_FILTER_USE_BOTH,
        );
    }

    /** What is said, in metric measures; {@see Phrasebook::in} for others. */
    public function words(): Phrasebook
    {
        return Phrasebook::of($this->files->read('phrases/en.yaml')['en'] ?? []);
    }

    /** @return array<string, array{title: string, text: string, gear: list<string>, gloves?: string, at?: string}> by id */
    public function cautions(): array
    {
        /** @var array<string, array{title: string, text: string, gear: list<string>, gloves?: string, at?: string}> */
        return $this->files->read('cautions.yaml')['cautions'] ?? [];
    }

    /** @return array<string, array{name: string, ask: string}> what a piece may be for that asks for more than a shop can know */
    public function uses(): array
    {
        /** @var array<string, array{name: string, ask: string}> */
        return $this->files->read('uses.yaml')['uses'] ?? [];
    }

    /** What is taken for granted until somebody says otherwise: `base`, `casting`, `original`, `painted`. */
    public function usual(string $what): string
    {
        $usual = Fields::of($this->files->read('usual.yaml')['usual'] ?? [], 'usual')->text($what);

        return $what !== 'base' || isset($this->atHand()->bases[$usual])
            ? $usual
            : (string) (array_key_first($this->atHand()->bases) ?? $usual);
    }

    /** @return array<string, ReadyMade> ways to build that ship with the application, by id */
    public function builds(): array
    {
        $read = $this->files->read('builds/*.yaml');

        return array_combine(
            array_keys($read),
            array_map(
                static fn (string $id, array $made): ReadyMade => ReadyMade::from($id, Fields::of($made, $id)), array_keys($read),
                array_values($read),
            ),
        );
    }

    /** @return list<Fields> `under`, `fresh`, `do`, `risks`; the first that fits counts */
    public function missedWindows(): array
    {
        return array_map(
            static fn (array $save): Fields => Fields::of($save),
            array_values(array_filter($this->files->read('missed-windows.yaml')['missed-windows'] ?? [], is_array(...))),
        );
    }

    /** @return array<string, array{name: string, cause: string, next: string}> by id */
    public function faults(): array
    {
        /** @var array<string, array{name: string, cause: string, next: string}> */
        return $this->files->read('faults/*.yaml')['symptoms'];
    }

    public function faultBook(): FaultBook
    {
        return $this->faultBook ??= $this->files->object(
            FaultBook::class, $this->files->stamp('faults/*.yaml', 'contacts/*.yaml'), function (): FaultBook {
                $read = $this->files->read('faults/*.yaml');
                $families = $this->files->read('contacts/*.yaml')['families'];

                return FaultBook::of($read['symptoms'], $read['causes'], $read['questions'], $families);
            },
        );
    }

    /** How many casts moulds usually stand. */
    public function wear(): Wear
    {
        return $this->wear ??= Wear::of($this->files->read('wear.yaml')['wear'] ?? []);
    }

    /** How whole ways are judged. */
    public function ways(): WaysBook
    {
        return WaysBook::of($this->files->read('ways.yaml')['ways'] ?? []);
    }

    /** What moulds want before a cast. */
    public function beforeCast(): BeforeCast
    {
        return BeforeCast::of($this->files->read('care.yaml')['care'] ?? []);
    }

    /** Differs as soon as one of these files, or a sheet of the shop's own, does. */
    public function stamp(string $folder = 'materials'): string
    {
        return $this->files->stamp("{$folder}/*.yaml").($this->own)()->mark();
    }
}
