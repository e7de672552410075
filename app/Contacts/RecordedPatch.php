<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Contact\PatchFactKind;
use Apalos\Core\Facts\Fact as CoreFact;
use Apalos\Core\Facts\Standing;
use Apalos\Core\Units\Minutes;
use App\Facts\Happened;
use App\Models\TestPatch;
use Carbon\CarbonImmutable;

/** A test patch as recorded: what was read off it, and what of that stands. */
final readonly class RecordedPatch
{
    public const STREAM = 'patch';

    /**
     * @param  list<Happened>  $facts
     * @param  CoreFact<PatchFactKind>|null  $reading  that stands
     */
    private function __construct(public TestPatch $patch, public array $facts, private ?CoreFact $reading) {}

    public static function of(TestPatch $patch): self
    {
        return self::from($patch, Happened::in(self::STREAM, [$patch->id])[$patch->id]);
    }

    /** The same with what was told since. */
    public function with(Happened $told): self
    {
        return self::from($this->patch, [...$this->facts, $told]);
    }

    /** @param  list<Happened>  $facts */
    private static function from(TestPatch $patch, array $facts): self
    {
        $standing = Standing::of(Happened::read($facts, PatchFactKind::class));

        return new self($patch, $facts, $standing === [] ? null : $standing[count($standing) - 1]);
    }

    /** The reading that may be taken back. */
    public function takeBack(): ?int
    {
        return $this->reading?->id;
    }

    /** Writes down what contacts and lists need to know of it. */
    public function write(): void
    {
        $reading = $this->reading;
        $this->patch->update([
            'passed' => $reading === null ? null : ($reading->payload['passed'] ?? false) === true, 'note' => $reading?->text('note'),
            'photo' => $reading?->text('photo'),
            'read_at' => $reading === null ? null : CarbonImmutable::createFromTimestampMs(Minutes::ms($reading->at), 'UTC'),
        ]);
    }
}
