<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Day\PutDamagedAway;
use App\Http\Reply;
use App\Models\Build;
use App\Models\Pour;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;

/** Records that cannot be read: off the bench, and back. */
final readonly class DamagedController
{
    public function __construct(private PutDamagedAway $putAway) {}

    public function pour(Pour $pour): RedirectResponse
    {
        return $this->away(fn () => $this->putAway->pour($pour), "/damaged/pours/{$pour->id}/back");
    }

    public function pourBack(int $pour): RedirectResponse
    {
        $this->putAway->pourBack($pour);

        return redirect()->to('/');
    }

    public function build(Build $build): RedirectResponse
    {
        return $this->away(fn () => $this->putAway->build($build, CarbonImmutable::now()), "/damaged/builds/{$build->id}/back");
    }

    public function buildBack(Build $build): RedirectResponse
    {
        return $this->away(fn () => $this->putAway->buildBack($build, CarbonImmutable::now()), null);
    }

    private function away(callable $does, ?string $undo): RedirectResponse
    {
        try {
            $does();
        } catch (BadInput $wrong) {
            return Reply::back('damaged', $wrong);
        }

        return redirect()->to('/')->with(
            $undo === null ? [] : ['said' => Reply::say(Phrase::of('bench.off_bench_nothing_changed')), 'undo' => $undo],
        );
    }
}
