<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Http\Middleware\Doors;
use App\Http\Reply;
use App\Models\Build;
use App\Models\Job;
use App\Models\Lot;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\Series;
use App\Models\Swatch;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a label was pointed at, or typed off: the thing it stands on, in this shop and under a name of this bench. */
final class PointController
{
    /** What labels lead to, by the address on them. */
    private const KINDS = [
        'mould' => ['#^/rack/(\d{1,15})$#', Mould::class, '/rack/%d'],
        'kit' => ['#^/stores/lots/(\d{1,15})$#', Lot::class, '/stores/lots/%d'],
        'swatch' => ['#^/swatches/drawer\#swatch-(\d{1,15})$#', Swatch::class, '/swatches/drawer#swatch-%d'],
        'series' => ['#^/swatches/series/(\d{1,15})$#', Series::class, '/swatches/series/%d'],
        'build' => ['#^/builds/(\d{1,15})$#', Build::class, '/builds/%d'],
        'pour' => ['#^/pours/(\d{1,15})(?:/run)?$#', Pour::class, '/pours/%d/run'],
        'job' => ['#^/jobs/(\d{1,15})$#', Job::class, '/jobs/%d'],
    ];

    /** @throws BadInput where it is no label of this bench, or of something that is not here */
    public function __invoke(Request $request): JsonResponse
    {
        $code = trim(is_string($said = $request->query('code')) ? mb_substr($said, 0, 500) : '');
        $path = self::path($code);
        foreach (self::KINDS as $kind => [$pattern, $model, $href]) {
            if (preg_match($pattern, $path, $of) === 1) {
                $there = $model::query()->whereKey((int) $of[1])->first()
                    ?? throw BadInput::at('code', Phrase::of('bench.label_of_what_is_gone'));

                return Reply::json([
                    'kind' => $kind, 'id' => (int) $of[1], 'name' => self::called($there), 'href' => sprintf($href, (int) $of[1]),
                ]);
            }
        }

        throw BadInput::at('code', Phrase::of('bench.no_label_of_ours'));
    }

    /** @throws BadInput */
    private static function path(string $code): string
    {
        [$mould, $lot] = [Mould::ofLabel($code), Lot::ofLabel($code)];
        if ($mould !== null || $lot !== null) {
            return $mould === null ? "/stores/lots/{$lot}" : "/rack/{$mould}";
        }
        $parts = parse_url($code);
        if ($parts === false || ! isset($parts['path'])) {
            return '';
        }
        // The same numbers stand on the labels of every shop.
        if (isset($parts['host']) && ! Doors::isOurs($parts['host'])) {
            throw BadInput::at('code', Phrase::of('bench.label_of_another_bench'));
        }

        return $parts['path'].(isset($parts['fragment']) ? "#{$parts['fragment']}" : '');
    }

    private static function called(Model $there): string
    {
        return match (true) {
            $there instanceof Mould => "{$there->name} ({$there->code()})",
            $there instanceof Lot => $there->label(),
            $there instanceof Pour => "{$there->impression->job->name} · {$there->impression->name}",
            default => is_string($name = $there->getAttributes()['name'] ?? null) ? $name : '',
        };
    }
}
