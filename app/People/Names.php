<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Person;
use App\Models\Workshop;

/** Who is who in this shop, by what stands in a fact: whoever left is still called so, whoever is forgotten is somebody. */
final class Names
{
    /** @var array<string, string>|null */
    private ?array $names = null;

    public function __construct(private readonly Workshop $workshop) {}

    public function of(mixed $who): ?string
    {
        if (! is_string($who)) {
            return null;
        }
        $this->names ??= Person::query()->where('workshop_id', $this->workshop->id)->get(['id', 'name', 'forgotten_at'])
            ->mapWithKeys(
                static fn (Person $person): array => [
                    $person->id => $person->forgotten_at === null ? $person->name : self::numbered($person->id),
                ],
            )->all();

        return $this->names[$who] ?? self::numbered($who);
    }

    /** By whose hands, and who countersigned it. */
    public function by(?string $person, ?string $witness): ?string
    {
        $who = $this->of($person);

        return $who === null || $witness === null ? $who : "{$who}, countersigned by {$this->of($witness)}";
    }

    /**
     * Who is called so, in part; those who left as well.
     *
     * @return list<string>
     */
    public function called(string $part): array
    {
        $this->of('');

        return array_map(
            strval(...),
            array_keys(array_filter($this->names ?? [], static fn (string $name): bool => str_contains(mb_strtolower($name), $part))),
        );
    }

    private static function numbered(string $id): string
    {
        return 'somebody ('.strtolower(substr($id, -4)).')';
    }

    /** What changed about a name is seen at the next look. */
    public function forget(): void
    {
        $this->names = null;
    }
}
