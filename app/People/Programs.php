<?php

declare(strict_types=1);

namespace App\People;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Hands;
use App\Models\Person;
use App\Models\Workshop;
use Laravel\Sanctum\PersonalAccessToken;

/** Programs that come in by themselves, each let in by one of the people here and for one thing. */
final readonly class Programs
{
    private const MOST = 40;

    private const LONGEST_NAME = 60;

    public function __construct(private Workshop $workshop, private Hands $hands) {}

    /**
     * @param  string  $at  the field its name was typed into
     * @return string what it shows of itself; it is told once, and never again
     *
     * @throws BadInput where nobody has come in, or too many programs have
     */
    public function letIn(string $at, string $name, TokenFor $for): string
    {
        $owner = $this->hands->person ?? throw BadInput::at($at, Phrase::of('bench.come_in_first'));
        $owner->tokens()->count() < self::MOST
            || throw BadInput::at($at, Phrase::of('bench.enough_programs', ['most' => (float) self::MOST]));

        return $owner->createToken(mb_substr(trim($name), 0, self::LONGEST_NAME), [$for->value])->plainTextToken;
    }

    public function turnAway(int $token): void
    {
        $mine = Person::query()->where('workshop_id', $this->workshop->id)->pluck('id');
        PersonalAccessToken::query()->where('tokenable_type', Person::class)->whereIn('tokenable_id', $mine)->findOrFail($token)->delete();
    }
}
