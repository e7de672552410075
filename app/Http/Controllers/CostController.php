<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Cost\Costing;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Costs\CostBook;
use App\Costs\OtherWay;
use App\Costs\SetHourRate;
use App\Http\Reply;
use App\Jobs\JobQuery;
use App\Models\FormulaVersion;
use App\Models\Job;
use App\Models\Mould;
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

    public function __construct(private CostBook $costs, private JobQuery $jobs) {}

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
    public function way(Job $job, OtherWay $way): JsonResponse
    {
        return Reply::json($way->of($job));
    }

    public function rate(Request $request, SetHourRate $set): JsonResponse
    {
        return Reply::json(['hour_rate' => $set(Fields::fromJson($request->getContent()))]);
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
                    $of, $id, $name, $href, $asked, $answer, array_column($this->jobs->offered(self::OFFERED, $job), 'name', 'id'),
                )
            )->toArray(),
        ]);
    }
}
