<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Hands as WhoseHands;
use App\Models\Person;
use App\Models\Role;
use App\Models\Workshop;
use App\People\WriteDown;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Hash;

/** Who works in the made-up shop: an owner, two makers, an apprentice. In a demo everybody has the same PIN, and it is said. */
final class DemoPeople
{
    public const PIN = '2580';

    private const WHO = [['Odila', Role::Owner], ['Bram', Role::Maker], ['Tove', Role::Maker], ['Lis', Role::Apprentice]];

    /** @var list<Person> */
    private array $people = [];

    private int $turn = 0;

    public function come(Workshop $workshop, CarbonImmutable $now): void
    {
        $pin = Hash::make(self::PIN);
        foreach (self::WHO as $i => [$name, $role]) {
            $this->people[] = Person::query()->create([
                'workshop_id' => $workshop->id, 'name' => $name, 'role' => $role, 'colour' => WriteDown::COLOURS[$i], 'pin' => $pin,
                'created_at' => $now->subDays(120 - 20 * $i),
            ]);
        }
        $workshop->update(['made_up' => true]);
    }

    /** Whoever is next has it in hand. */
    public function next(): void
    {
        app(WhoseHands::class)->person = $this->people === [] ? null : $this->people[1 + $this->turn++ % 3];
    }
}
