<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Facts\ChainBreak;
use Apalos\Core\Phrase\Phrase;
use App\Models\Anchor;

/** What came of looking a shop's record through: whole, or the first thing in it that does not fit. */
final readonly class ChainReport
{
    /** @param  list<Phrase>  $says */
    private function __construct(
        public bool $isWhole,
        public int $facts,
        public int $streams,
        public array $says,
        public ?ChainBreak $break = null,
        public ?int $fact = null,
    ) {}

    /** @param  Anchor|null  $old  of what was told before there were seals */
    public static function whole(int $facts, int $streams, ?Anchor $last, ?Anchor $old): self
    {
        return new self(true, $facts, $streams, [
            Phrase::of('bench.chain_is_whole', ['facts' => (float) $facts, 'streams' => (float) $streams]),
            ...(
                $last === null
                ? []
                : [Phrase::of('bench.chain_is_anchored', ['on' => $last->at->format('Y-m-d H:i'), 'seal' => self::inShort($last->seal)])]
            ),
            ...(
                $old === null
                ? []
                : [Phrase::of('bench.chain_began_late', ['facts' => (float) $old->facts, 'on' => $old->at->format('Y-m-d')])]
            ),
        ]);
    }

    public static function broken(ChainBreak $break, string $stream, int $id, int $nth, int $fact, int $facts, int $streams): self
    {
        return new self(false, $facts, $streams, [Phrase::of(match ($break) {
            ChainBreak::Changed => 'bench.chain_broken_changed',
            ChainBreak::Missing => 'bench.chain_broken_missing',
            ChainBreak::Moved => 'bench.chain_broken_moved',
            ChainBreak::SlippedIn => 'bench.chain_broken_slipped_in',
        }, ['stream' => $stream, 'id' => (string) $id, 'nth' => (string) $nth, 'fact' => (string) $fact])], $break, $fact);
    }

    /** It fits in itself, and not to what an anchor says: somebody reckoned seals anew. */
    public static function unlike(Anchor $anchor, bool $isMissing, ?string $stream, ?int $id, ?int $nth, int $facts, int $streams): self
    {
        $on = $anchor->at->format('Y-m-d H:i');
        $where = $stream === null ? [] : ['stream' => $stream, 'id' => (string) $id, 'nth' => (string) $nth];

        return new self(false, $facts, $streams, [Phrase::of(match (true) {
            $stream === null => $isMissing ? 'bench.anchor_misses_facts' : 'bench.anchor_does_not_fit',
            default => $isMissing ? 'bench.anchor_misses_fact' : 'bench.anchor_knows_another',
        }, ['on' => $on, ...$where])], $isMissing ? ChainBreak::Missing : ChainBreak::Changed);
    }

    /** As it stands on paper: enough to compare by eye. */
    public static function inShort(string $seal): string
    {
        return implode(' ', str_split(substr($seal, 0, 24), 4));
    }
}
