<?php

declare(strict_types=1);

namespace App\Http;

use App\Library\Library;
use App\Models\Role;
use LogicException;

/** Who may what, as `library/roles.yaml` has it: every door that changes something stands there. */
final readonly class May
{
    public const LOOK = 'look';

    public const WORK = 'work';

    public const DECIDE = 'decide';

    public const OWN = 'own';

    public const DOOR = 'door';

    public function __construct(private Library $library) {}

    /**
     * What a door asks for: `GET people`, `PUT workshop`. A third word is a field with which the same door asks for more.
     *
     * @param  array<array-key, mixed>  $said
     */
    public function asked(string $method, string $uri, array $said = []): string
    {
        $touched = (array) ($this->library->roles()['touch']["{$method} {$uri}"] ?? []);
        if ($said !== [] && array_diff(array_keys($said), $touched) === []) {
            return self::WORK;
        }
        [$ability] = $this->entry($method, $uri, $said) ?? [null];

        return $ability ?? (
            self::plain($method) === 'GET'
            ? self::LOOK
            : throw new LogicException("{$method} {$uri} stands nowhere in library/roles.yaml: say who may.")
        );
    }

    /**
     * The door as it stands in the table.
     *
     * @param  array<array-key, mixed>  $said
     */
    public function door(string $method, string $uri, array $said): ?string
    {
        return $this->asked($method, $uri, $said) === self::WORK ? null : ($this->entry($method, $uri, $said)[1] ?? null);
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @return array{string, string}|null the ability, and the door
     */
    private function entry(string $method, string $uri, array $said): ?array
    {
        foreach ([self::DOOR, self::OWN, self::DECIDE, self::WORK, self::LOOK] as $ability) {
            foreach ($this->doors($ability) as $door) {
                [$known, $of, $field] = [...explode(' ', $door, 3), '', ''];
                if (
                    $known === self::plain($method)
                    && $of === $uri
                    && ($field === '' || ! in_array($said[$field] ?? null, [null, '', false, []], true))
                ) {
                    return [$ability, $door];
                }
            }
        }

        return null;
    }

    private static function plain(string $method): string
    {
        return match ($method) {
            'HEAD', 'OPTIONS' => 'GET',
            'PATCH' => 'PUT',
            default => $method,
        };
    }

    public function has(Role $role, string $ability): bool
    {
        return in_array($ability, (array) ($this->library->roles()['roles'][$role->value]['may'] ?? []), true);
    }

    /** Whether somebody else may say yes to it on the spot. */
    public function mayAsk(Role $role, string $ability): bool
    {
        return in_array($ability, (array) ($this->library->roles()['roles'][$role->value]['asks'] ?? []), true);
    }

    /** Whether a door also leads to a practice: whoever may look may do all of it there. */
    public function isPractised(string $method, string $uri): bool
    {
        return in_array(self::plain($method).' '.$uri, (array) ($this->library->roles()['practice'] ?? []), true);
    }

    /** @return list<string> */
    public function doors(string $ability): array
    {
        $doors = (array) ($this->library->roles()[$ability] ?? []);

        return array_values(array_filter(array_is_list($doors) ? $doors : array_keys($doors), is_string(...)));
    }

    /** @return array<string, array{name: string, says: string}> */
    public function roles(): array
    {
        /** @var array<string, array{name: string, says: string}> */
        return array_map(
            static fn (mixed $role): array => ['name' => (string) ($role['name'] ?? ''), 'says' => (string) ($role['says'] ?? '')],
            (array) ($this->library->roles()['roles'] ?? []),
        );
    }
}
