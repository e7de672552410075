<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Reply;
use App\Library\Library;
use App\Lists\Like;
use App\Models\Workshop;
use App\Moulds\RackShelf;
use App\Stock\LotBook;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The jump box: jobs, moulds, formulas and sheets by a part of their name, moulds and kits by what stands on them. */
final class FindController
{
    private const EACH = 5;

    public function __invoke(Request $request, Workshop $workshop, Library $library): JsonResponse
    {
        $q = is_string($said = $request->query('q')) ? mb_strtolower(trim($said)) : '';
        if ($q === '') {
            return Reply::json(['found' => []]);
        }
        $named = Like::of('name', $q);
        $found = [];
        foreach ($workshop->jobs()->where($named)->latest('updated_at')->limit(self::EACH)->get() as $job) {
            $found[] = ['kind' => 'job', 'name' => $job->name, 'href' => "/jobs/{$job->id}"];
        }
        foreach (RackShelf::called($q) as $mould) {
            $found[] = ['kind' => 'mould', 'name' => "{$mould->name} ({$mould->code()})", 'href' => "/rack/{$mould->id}"];
        }
        foreach (LotBook::called($q) as $lot) {
            $found[] = [
                'kind' => 'kit',
                'name' => "{$lot->label()}, ".(
                    $library->shelf()->bases[$lot->code]->name ?? $library->shelf()->additives[$lot->code]->name ?? $lot->code
                ),
                'href' => "/stores/lots/{$lot->id}",
            ];
        }
        foreach ([...$library->shelf()->bases, ...$library->shelf()->additives] as $sheet) {
            if (str_contains(mb_strtolower("{$sheet->name} {$sheet->code}"), $q) && count($found) < 12) {
                $found[] = ['kind' => 'sheet', 'name' => $sheet->name, 'href' => "/stores/{$sheet->code}"];
            }
        }
        foreach ($workshop->formulas()->where($named)->limit(self::EACH)->get() as $formula) {
            $found[] = ['kind' => 'formula', 'name' => $formula->name, 'href' => "/formulas/{$formula->id}"];
        }

        return Reply::json(['found' => $found]);
    }
}
