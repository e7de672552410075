<?php

declare(strict_types=1);

namespace App\People;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\Person;
use App\Models\Role;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Whoever opens an owner's link writes themselves down as the owner, or takes their own name up again: once. */
final readonly class BeginAsOwner
{
    public function __construct(private OwnerLink $link, private WriteDown $write) {}

    /**
     * @param  Fields  $said  `name`, `passphrase`, `pin`
     * @return Person|null null where the link is no more
     *
     * @throws BadInput and then the link can be used again
     */
    public function __invoke(string $secret, Fields $said, CarbonImmutable $now): ?Person
    {
        $said->text('passphrase') !== '' || throw BadInput::at('passphrase', Phrase::of('bench.passphrase_length', ['least' => 10.0]));

        // Either the owner is written down and the link is used, or neither.
        return DB::transaction(function () use ($secret, $said, $now): ?Person {
            $of = $this->link->take($secret, $now);

            return match (true) {
                $of === false => null,
                $of === null => ($this->write)(Fields::of([...$said->toArray(), 'role' => Role::Owner->value])),
                default => ($this->write)($said, $of),
            };
        });
    }
}
