<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Person;
use App\Models\Role;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * A link that lets in once: it makes the owner of a new shop, and is the way back in for one who has forgotten how. Given on the machine
 * alone.
 */
final readonly class OwnerLink
{
    private const HOLDS_H = 24;

    public function __construct(private Workshop $workshop) {}

    public function give(CarbonImmutable $now): string
    {
        $secret = bin2hex(random_bytes(20));
        // A new one is the only one.
        DB::table('one_time_links')->where('workshop_id', $this->workshop->id)->whereNull('used_at')->delete();
        DB::table('one_time_links')->insert([
            'workshop_id' => $this->workshop->id, 'person_id' => Person::here($this->workshop)->where('role', Role::Owner)->value('id'),
            'secret' => hash('sha256', $secret), 'until' => self::written($now->addHours(self::HOLDS_H)),
        ]);

        return "/welcome/{$secret}";
    }

    /** The shop a link leads into. */
    public static function shop(string $secret): ?int
    {
        $shop = DB::table('one_time_links')->where('secret', hash('sha256', $secret))->value('workshop_id');

        return is_numeric($shop) ? (int) $shop : null;
    }

    public function isGood(string $secret, CarbonImmutable $now): bool
    {
        return $this->open($secret, $now)->exists();
    }

    /** Whom it lets in; null for the first of a shop. Used, and it is no more. False where it is none. */
    public function take(string $secret, CarbonImmutable $now): Person|false|null
    {
        $link = $this->open($secret, $now)->first();
        if ($link === null || $this->open($secret, $now)->update(['used_at' => self::written($now)]) === 0) {
            return false;
        }

        return $link->person_id === null ? null : Person::query()->whereKey((string) $link->person_id)->first();
    }

    private function open(string $secret, CarbonImmutable $now): \Illuminate\Database\Query\Builder
    {
        return DB::table('one_time_links')
            ->where('workshop_id', $this->workshop->id)
            ->where('secret', hash('sha256', $secret))
            ->whereNull('used_at')
            ->where('until', '>', self::written($now));
    }

    private static function written(CarbonImmutable $at): string
    {
        return $at->utc()->format('Y-m-d H:i:s.v');
    }
}
