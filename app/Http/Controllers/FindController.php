<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Reply;
use App\Library\Library;
use App\Lists\Like;
use App\Models\Lot;
use App\Models\LotPart;
use App\Models\Mould;
use App\Models\Workshop;
use Illuminate\Database\Eloquent\Collection;
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
        foreach ($this->moulds($q) as $mould) {
            $found[] = ['kind' => 'mould', 'name' => "{$mould->name} ({$mould->code()})", 'href' => "/rack/{$mould->id}"];
        }
        foreach ($this->lots($q) as $lot) {
            $found[] = ['kind' => 'kit', 'name' => "{$lot->label()}, ".($library->shelf()->bases[$lot->code]->name ?? $library->shelf()->additives[$lot->code]->name ?? $lot->code), 'href' => "/stores/lots/{$lot->id}"];
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

    /** @return Collection<int, Mould> by name, or by what stands on its label */
    private function moulds(string $q): Collection
    {
        return preg_match('/^m-?(\d{1,15})$/', $q, $code) === 1 ? Mould::query()->whereKey((int) $code[1])->get() : Mould::query()->where(Like::of('name', $q))->orderByRaw('case when retired_at is null then 0 else 1 end')->orderByDesc('id')->limit(self::EACH)->get();
    }

    /** @return Collection<int, Lot> by what stands on its label, or by the number its maker gave one of its parts */
    private function lots(string $q): Collection
    {
        return preg_match('/^l-?(\d{1,15})$/', $q, $code) === 1 ? Lot::query()->whereKey((int) $code[1])->get() : Lot::query()->whereIn('id', LotPart::query()->where(Like::of('maker_number', $q))->select('lot_id'))->orderByDesc('id')->limit(self::EACH)->get();
    }
}
