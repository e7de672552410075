<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Cost\Costing;
use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Costs\CostBook;
use App\Http\Reply;
use App\Models\FormulaVersion;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Workshop;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/**
 * What a piece, a formula or a mould costs: filled in from log and stores, changed by hand, answered by the core.
 *
 * @phpstan-import-type Asked from CostBook
 */
final readonly class CostController
{
    private const KILOGRAM = 1000.0;

    private const OFFERED = 30;

    public function __construct(private CostBook $costs, private Workshop $workshop) {}

    public function job(Job $job): Response
    {
        return $this->page('job', $job->id, $job->name, "/jobs/{$job->id}", $this->costs->ofJob($job), $job->id);
    }

    public function formula(FormulaVersion $version): Response
    {
        return $this->page(
            'formula', $version->id, $version->load('formula')->called(), "/formulas/{$version->formula_id}?version={$version->id}",
            $this->costs->ofFormula($version, self::KILOGRAM), null,
        );
    }

    public function mould(Mould $mould): Response
    {
        return $this->page('mould', $mould->id, $mould->name, "/rack/{$mould->id}", $this->costs->ofMould($mould), $mould->job_id);
    }

    public function ask(Request $request): JsonResponse
    {
        return Reply::json((new Costing)->ask(Fields::of(CostBook::question(Fields::fromJson($request->getContent())->toArray()))));
    }

    /** Another job as the other way: so much before the first piece, so much for each. */
    public function way(Job $job): JsonResponse
    {
        $asked = $this->costs->ofJob($job);
        $known = [
            ...$asked,
            'materials' => array_values(array_filter($asked['materials'], static fn (array $line): bool => $line['kit']['price'] !== '')),
            'moulds' => array_values(array_filter($asked['moulds'], static fn (array $line): bool => $line['cost'] !== '')),
            'labour' => array_values(array_filter($asked['labour'], static fn (array $line): bool => $line['hour_rate'] !== '')),
        ];
        $whole = (new Costing)->ask(Fields::of(CostBook::question([...$known, 'moulds' => []])));
        $fixed = Money::none();
        foreach ($known['moulds'] as $mould) {
            $fixed = $fixed->plus(Money::written(Fields::of($mould), 'cost'));
        }

        return Reply::json([
            'name' => $job->name, 'fixed' => $fixed->toString(), 'each' => $whole['per_piece'],
            'complete' => count($known['materials']) === count($asked['materials']) && count($known['moulds']) === count($asked['moulds']),
        ]);
    }

    /** What an hour of hands costs here. */
    public function rate(Request $request): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('hour_rate');
        $this->workshop->update([
            'hour_rate' => ($in->toArray()['hour_rate'] ?? '') === '' ? null : Money::written($in, 'hour_rate')->toString(),
        ]);

        return Reply::json(['hour_rate' => $this->workshop->hour_rate]);
    }

    /** @param  Asked  $asked */
    private function page(string $of, int $id, string $name, string $href, array $asked, ?int $job): Response
    {
        try {
            $answer = (new Costing)->ask(Fields::of(CostBook::question($asked)));
        } catch (BadInput) {
            // A price is still to be written: the screen says which.
            $answer = null;
        }

        return Reply::page('cost/Cost', [
            'cost' => (
                new \App\Costs\CostView(
                    $of, $id, $name, $href, $asked, $answer,
                    Job::query()
                        ->when($job !== null, static fn ($q) => $q->whereKeyNot($job))
                        ->orderByDesc('updated_at')
                        ->limit(self::OFFERED)
                        ->pluck('name', 'id')
                        ->all(),
                )
            )->toArray(),
        ]);
    }
}
