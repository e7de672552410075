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
        $method = match ($method) {
            'HEAD', 'OPTIONS' => 'GET',
            'PATCH' => 'PUT',
            default => $method,
        };
        foreach ([self::DOOR, self::OWN, self::DECIDE, self::WORK, self::LOOK] as $ability) {
            foreach ($this->doors($ability) as $door) {
                [$known, $of, $field] = [...explode(' ', $door, 3), '', ''];
                if ($known === $method && $of === $uri && ($field === '' || ! in_array($said[$field] ?? null, [null, '', false, []], true))) {
                    return $ability;
                }
            }
        }

        return $method === 'GET' ? self::LOOK : throw new LogicException("{$method} {$uri} stands nowhere in library/roles.yaml: say who may.");
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

    /** @return list<string> */
    public function doors(string $ability): array
    {
        return array_values(array_filter((array) ($this->library->roles()[$ability] ?? []), is_string(...)));
    }

    /** @return array<string, array{name: string, says: string}> */
    public function roles(): array
    {
        /** @var array<string, array{name: string, says: string}> */
        return array_map(static fn (mixed $role): array => ['name' => (string) ($role['name'] ?? ''), 'says' => (string) ($role['says'] ?? '')], (array) ($this->library->roles()['roles'] ?? []));
    }
}
