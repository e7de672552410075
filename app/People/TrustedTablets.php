<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Tablet;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

/** The browsers that stand at the bench. Each keeps a secret; here only what proves it is kept. */
final readonly class TrustedTablets
{
    private const LONGEST_NAME = 60;

    public function __construct(private Workshop $workshop) {}

    /** @return string what this browser shows from now on; it is told once */
    public function trust(string $name, CarbonImmutable $now): string
    {
        $secret = Str::random(48);
        Tablet::query()->create([
            'workshop_id' => $this->workshop->id, 'name' => mb_substr(trim($name), 0, self::LONGEST_NAME),
            'secret' => hash('sha256', $secret), 'trusted_at' => $now,
        ]);

        return $secret;
    }

    public function untrust(int $tablet, CarbonImmutable $now): void
    {
        Tablet::query()->where('workshop_id', $this->workshop->id)->findOrFail($tablet)->update(['gone_at' => $now]);
    }
}
