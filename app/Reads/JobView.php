<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Contact\Chain;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Workshop\JobContacts;
use App\Workshop\JudgedContact;
use App\Workshop\Library;
use Carbon\CarbonImmutable;

/**
 * A job: its piece and its chain, each link with its material and where its pours stand.
 *
 * @phpstan-import-type ContactShape from ContactResult
 *
 * @phpstan-type LinkContactShape array{
 *     key: string, with: string, surface: string, surface_name: string, fresh: string, blocks: bool, overruled: string|null, lapsed: string|null, words: Phrase|null,
 *     release: string|null, sealed_with: string|null, damp: bool, latex_touched: bool, cured_ms: int|null, opened_ms: int|null, solvent_ms: int|null,
 *     result: ContactShape
 * }
 * @phpstan-type LinkShape array{
 *     id: int, kind: string, positive: bool, name: string, material: string, material_code: string|null, shore: string|null, colour: string, note: string,
 *     status: string, pourable: bool, not_for_skin: bool,
 *     contacts: list<LinkContactShape>,
 *     surface: string|null, role: string, from_id: int|null, wall: string|null, bed: string|null,
 *     pours: list<array{id: int, state: string, href: string, grams: float|null, grade: string|null, at_ms: int|null, planned_ml: float|null}>
 * }
 */
final readonly class JobView implements View
{
    public function __construct(private Job $job, private Library $library, private JobContacts $contacts) {}

    /** @return array{id: int, name: string, purpose: string, quantity: int, due_on: string|null, skin: bool, cast: int, chain: list<LinkShape>} */
    public function toArray(): array
    {
        $chain = $this->contacts->chain($this->job);

        return [
            'id' => $this->job->id,
            'name' => $this->job->name,
            'purpose' => $this->job->purpose ?? '',
            'quantity' => $this->job->quantity,
            'due_on' => $this->job->due_on?->toDateString(),
            'skin' => $this->job->skin,
            'cast' => $this->castSoFar(),
            'chain' => array_values($this->job->impressions->map(fn (Impression $impression): array => $this->link($impression, $chain))->all()),
        ];
    }

    private function castSoFar(): int
    {
        return (int) $this->job->impressions->where('kind', ImpressionKind::Cast)->flatMap->pours
            ->filter(static fn (Pour $pour): bool => $pour->grade?->counts() === true)
            ->sum(static fn (Pour $pour): int => $pour->pieces ?? 1);
    }

    /** @return LinkShape */
    private function link(Impression $impression, Chain $chain): array
    {
        $sheet = $this->library->shelf()->bases[$impression->material ?? ''] ?? null;

        return [
            'id' => $impression->id,
            'kind' => $impression->kind->value,
            'positive' => $impression->kind->isPositive(),
            'name' => $impression->name,
            'material' => $sheet->name ?? $impression->material ?? '',
            'material_code' => $sheet?->code,
            'shore' => $sheet?->shore(),
            'colour' => $sheet->colour ?? '#ab8e68',
            'note' => $impression->note ?? '',
            'status' => $this->status($impression),
            'pourable' => $impression->kind !== ImpressionKind::Original,
            'not_for_skin' => $this->job->skin && $impression->kind === ImpressionKind::Cast && $sheet !== null && ! $sheet->sheet()->bool('skin_safe'),
            'contacts' => array_map($this->contact(...), $this->contacts->of($impression, $chain)),
            'surface' => $impression->surface,
            'role' => $impression->role->value,
            'from_id' => $impression->from_id,
            'wall' => $impression->wall,
            'bed' => $impression->bed,
            'pours' => array_values($impression->pours->map(static fn (Pour $pour): array => [
                'id' => $pour->id,
                'state' => $pour->state->value,
                'href' => "/pours/{$pour->id}".($pour->state === PourState::Draft ? '' : '/run'),
                'grams' => $pour->used_g ?? $pour->weighed_g,
                'grade' => $pour->grade?->value,
                'at_ms' => $pour->started_at === null ? null : (int) $pour->started_at->getTimestampMs(),
                'planned_ml' => is_numeric($pour->plan['likely_ml'] ?? null) ? (float) $pour->plan['likely_ml'] : null,
            ])->all()),
        ];
    }

    /** @return LinkContactShape */
    private function contact(JudgedContact $contact): array
    {
        $chosen = Fields::of($contact->chosen);

        return [
            'key' => $contact->touch->key,
            'with' => $contact->touch->with,
            'surface' => $contact->touch->surface->id,
            'surface_name' => $contact->touch->surface->name,
            'fresh' => $contact->fresh->name,
            'blocks' => $contact->blocks,
            'overruled' => $contact->overruled(),
            'lapsed' => $contact->lapsed(),
            'words' => $contact->wordsAsked(),
            'release' => $chosen->textOrNull('release'),
            'sealed_with' => $chosen->textOrNull('sealed_with'),
            'damp' => $chosen->has('damp') && $chosen->bool('damp'),
            'latex_touched' => $chosen->has('latex_touched') && $chosen->bool('latex_touched'),
            'cured_ms' => self::ms($contact->curedAt),
            'opened_ms' => self::ms($contact->openedAt),
            'solvent_ms' => self::ms($contact->solventAt),
            'result' => $contact->result->toArray(),
        ];
    }

    private static function ms(?CarbonImmutable $at): ?int
    {
        return $at === null ? null : (int) $at->getTimestampMs();
    }

    private function status(Impression $impression): string
    {
        if ($impression->kind === ImpressionKind::Original) {
            return 'kept';
        }
        $last = $impression->pours->last();
        if ($last === null) {
            return 'not planned yet';
        }
        $done = $impression->pours->where('state', PourState::Graded)->count();

        return match ($last->state) {
            PourState::Draft => $done > 0 ? "{$done} done, next planned" : 'planned',
            PourState::Running => 'being poured',
            PourState::Waiting => 'curing',
            PourState::Opened => 'open, not graded',
            PourState::Graded => $impression->kind === ImpressionKind::Cast ? "{$done} done" : ($last->grade->value ?? 'done'),
        };
    }
}
