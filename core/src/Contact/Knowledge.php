<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** All that is known of contacts: families, surfaces, rules, releases, sealers, and the words of the cautions. */
final readonly class Knowledge
{
    private const MOST_RULES = 1000;

    /**
     * @param  array<string, Family>  $families
     * @param  array<string, Surface>  $surfaces
     * @param  list<Rule>  $rules
     * @param  array<string, Release>  $releases
     * @param  array<string, Sealer>  $sealers
     * @param  array<string, string>  $cautions
     * @param  array<string, float>  $waits  minutes that what is waited for usually takes
     * @param  list<string>  $notAtHand  releases and sealers that are known but not here to be used
     * @param  Schools|null  $held  what this shop holds where schools differ
     */
    private function __construct(
        public array $families, public array $surfaces, public array $rules, public array $releases, public array $sealers,
        public array $cautions, private array $waits = [], private array $notAtHand = [], private ?Schools $held = null,
    ) {}

    /**
     * @param  array<array-key, mixed>  $families  as read from the library, by id; likewise the rest
     * @param  array<array-key, mixed>  $surfaces
     * @param  array<array-key, mixed>  $rules  a list
     * @param  array<array-key, mixed>  $releases
     * @param  array<array-key, mixed>  $sealers
     * @param  array<array-key, mixed>  $cautions
     * @param  array<array-key, mixed>  $waits
     *
     * @throws BadInput for a rule that makes no sense or an id used twice
     */
    public static function of(
        array $families,
        array $surfaces,
        array $rules,
        array $releases,
        array $sealers,
        array $cautions,
        array $waits = [],
    ): self {
        $words = [];
        foreach (Fields::of($cautions)->names() as $id) {
            $words[$id] = Fields::of($cautions)->object($id)->text('text');
        }
        $read = array_map(Rule::from(...), Fields::of(['rules' => $rules])->objects('rules', self::MOST_RULES));
        $seen = [];
        foreach ($read as $rule) {
            if (isset($seen[$rule->id])) {
                throw BadInput::at("rules.{$rule->id}", Phrase::of('contact.rule_twice', ['id' => $rule->id]));
            }
            $seen[$rule->id] = true;
        }

        return new self(
            self::each($families, Family::from(...)), self::each($surfaces, Surface::from(...)), $read,
            self::each($releases, Release::from(...)), self::each($sealers, Sealer::from(...)), $words,
            self::each($waits, static fn (string $id, Fields $wait): float => $wait->positive('minutes')),
        );
    }

    /**
     * @template T
     *
     * @param  array<array-key, mixed>  $entries
     * @param  callable(string, Fields): T  $make
     * @return array<string, T>
     */
    private static function each(array $entries, callable $make): array
    {
        $made = [];
        foreach (Fields::of($entries)->names() as $id) {
            $made[$id] = $make($id, Fields::of($entries)->object($id));
        }

        return $made;
    }

    /** @throws BadInput where nobody wrote down how long that takes */
    public function minutes(string $wait): float
    {
        return $this->waits[$wait] ?? throw BadInput::at('waits', Phrase::of('contact.unknown_wait', ['id' => $wait]));
    }

    public function family(string $id, string $field = 'fresh.family'): Family
    {
        return $this->families[$id] ?? throw BadInput::at($field, Phrase::of('contact.unknown_family', [
            'id' => $id, 'known' => implode(', ', array_keys($this->families)),
        ]));
    }

    public function surface(string $id, string $field = 'surface.id'): Surface
    {
        return $this->surfaces[$id] ?? throw BadInput::at($field, Phrase::of('contact.unknown_surface', [
            'id' => $id, 'known' => implode(', ', array_keys($this->surfaces)),
        ]));
    }

    public function release(string $id, string $field = 'release'): Release
    {
        return $this->releases[$id] ?? throw BadInput::at($field, Phrase::of('contact.unknown_release', [
            'id' => $id, 'known' => implode(', ', array_keys($this->releases)),
        ]));
    }

    /**
     * The same with surfaces, releases and sealers of the shop's own.
     *
     * @param  array<array-key, mixed>  $surfaces  by id; likewise the rest
     * @param  array<array-key, mixed>  $releases
     * @param  array<array-key, mixed>  $sealers
     */
    public function and(array $surfaces, array $releases, array $sealers): self
    {
        return new self(
            $this->families, [...$this->surfaces, ...self::each($surfaces, Surface::from(...))], $this->rules,
            [...$this->releases, ...self::each($releases, Release::from(...))],
            [...$this->sealers, ...self::each($sealers, Sealer::from(...))], $this->cautions, $this->waits, $this->notAtHand, $this->held,
        );
    }

    /**
     * The same where some releases and sealers are not here to be used: they are still known by name, but never proposed.
     *
     * @param  list<string>  $ids
     */
    public function without(array $ids): self
    {
        return new self(
            $this->families, $this->surfaces, $this->rules, $this->releases, $this->sealers, $this->cautions, $this->waits, $ids,
            $this->held,
        );
    }

    /** The same for a shop that holds these where schools differ. */
    public function holding(Schools $schools): self
    {
        return new self(
            $this->families, $this->surfaces, $this->rules, $this->releases, $this->sealers, $this->cautions, $this->waits,
            $this->notAtHand, $schools,
        );
    }

    public function schools(): Schools
    {
        return $this->held ?? Schools::none();
    }

    /** Whether any rule of this pair asks for such a condition. */
    public function asks(string $condition, Family $fresh, Surface $surface): bool
    {
        foreach ($this->rules as $rule) {
            if (array_key_exists($condition, $rule->when) && $rule->exactlyAbout($fresh, $surface) !== null) {
                return true;
            }
        }

        return false;
    }

    public function isAtHand(Release|Sealer $what): bool
    {
        return ! in_array($what->id, $this->notAtHand, true);
    }

    /**
     * The same with no rules but these.
     *
     * @param  list<Rule>  $rules
     */
    public function only(array $rules): self
    {
        return new self(
            $this->families, $this->surfaces, $rules, $this->releases, $this->sealers, $this->cautions, $this->waits, $this->notAtHand,
            $this->held,
        );
    }

    /** The same with rules of the shop's own added. */
    public function with(Rule ...$own): self
    {
        return new self(
            $this->families, $this->surfaces, [...$this->rules, ...array_values($own)], $this->releases, $this->sealers, $this->cautions,
            $this->waits, $this->notAtHand, $this->held,
        );
    }
}
