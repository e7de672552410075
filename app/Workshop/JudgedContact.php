<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Contact\Family;
use Apalos\Core\Contact\Touch;

/** One contact of a link with its verdict; `blocks` while it may not be poured. */
final readonly class JudgedContact
{
    /** @param  array<string, mixed>  $chosen release, sealed_with, state, overruled */
    public function __construct(public Touch $touch, public Family $fresh, public ContactResult $result, public array $chosen, public bool $blocks, public ?float $hoursKnown = null) {}

    public function overruled(): ?string
    {
        return is_string($this->chosen['overruled'] ?? null) && $this->chosen['overruled'] !== '' ? $this->chosen['overruled'] : null;
    }

    /**
     * What somebody has to see done before anything is mixed.
     *
     * @return list<array{id: string, text: string, minutes: float}>
     */
    public function checklist(): array
    {
        $items = [];
        foreach ($this->result->plan as $i => $step) {
            $times = $step->coats > 1 ? ", {$step->coats} coats" : '';
            $items[] = [
                'id' => "{$this->touch->key}-{$i}",
                'text' => match ($step->do) {
                    'dry' => "{$this->touch->with}: dry it. {$step->note}",
                    'wait' => "{$this->touch->with}: wait {$step->what}.",
                    'seal' => "{$this->touch->with}: seal it with {$step->what}{$times}, dry. {$step->note}",
                    'test' => "{$this->touch->with}: tested with a test patch, and it came away clean and dry.",
                    default => "{$this->touch->with}: {$step->what}{$times}, flashed off. {$step->note}",
                },
                'minutes' => $step->minutes,
            ];
        }
        if ($this->touch->surface->before !== null) {
            $items[] = ['id' => "{$this->touch->key}-before", 'text' => "{$this->touch->with}: {$this->touch->surface->before}", 'minutes' => 0.0];
        }
        if ($this->overruled() !== null) {
            $items[] = ['id' => "{$this->touch->key}-overruled", 'text' => "{$this->touch->with}: {$this->result->because[0]['text']} Overruled: {$this->overruled()}", 'minutes' => 0.0];
        }

        return $items;
    }
}
