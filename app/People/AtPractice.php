<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Hands;
use App\Models\PracticeTry;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/**
 * Whether what is asked is asked at a practice, and of which one. Its address says so: a run or a build that stands in a shop of a
 * practice; or the screen does, with every question that has no address of its own (`X-Practice`). Nothing else: whatever goes on at the
 * bench beside it is the bench.
 */
final class AtPractice
{
    public const HEADER = 'X-Practice';

    /** Where a number in an address leads. */
    private const LEADS = ['pour' => 'pours', 'build' => 'builds', 'job' => 'jobs', 'impression' => 'impressions'];

    private bool $looked = false;

    private ?PracticeTry $try = null;

    /** The practice one stands in; null at the bench. */
    public ?PracticeTry $in = null;

    /** What time it really is, while one stands in it. */
    public ?CarbonImmutable $real = null;

    /** @var list<array<string, mixed>> what calls at the bench meanwhile */
    public array $calls = [];

    public function meant(Request $request): ?PracticeTry
    {
        if (! $this->looked) {
            $this->looked = true;
            $this->try = $this->said($request) ?? $this->addressed($request);
        }

        return $this->try;
    }

    /** A screen says that it is one of a practice, whether or not that still goes on. */
    public static function isSaid(Request $request): bool
    {
        return $request->headers->has(self::HEADER);
    }

    private function said(Request $request): ?PracticeTry
    {
        $id = (string) $request->headers->get(self::HEADER);

        return ctype_digit($id) ? PracticeTry::query()->whereKey((int) $id)->whereNotNull('shop_id')->first() : null;
    }

    private function addressed(Request $request): ?PracticeTry
    {
        foreach (app(Workshop::class)->practising === 0 ? [] : self::LEADS as $name => $table) {
            $id = $request->route($name);
            if (is_string($id) && ctype_digit($id)) {
                $shop = DB::table($table)->where('id', (int) $id)->value('workshop_id');

                return $shop === null || (int) $shop === app(Workshop::class)->id
                    ? null
                    : PracticeTry::query()->where('shop_id', $shop)->first();
            }
        }

        return null;
    }

    /**
     * All of it happens in the shop of the practice, on its clock, in the same hands; then everything is as it was.
     *
     * @template T
     *
     * @param  callable(): T  $do
     * @return T
     */
    public function during(PracticeTry $try, CarbonImmutable $real, callable $do): mixed
    {
        $shop = Workshop::query()->withoutGlobalScope('real')->whereKey($try->shop_id)->firstOrFail();
        [$hands, $here, $stood] = [app(Hands::class), app(Workshop::class), CarbonImmutable::getTestNow()];
        [$this->in, $this->real] = [$try, $real];
        $enter = function (Workshop $into) use ($hands): void {
            ShopAtHand::enter($into);
            app()->instance(Hands::class, $hands);
            app()->instance(self::class, $this);
        };
        $enter($shop);
        CarbonImmutable::setTestNow($try->clock($real));
        try {
            return $do();
        } finally {
            CarbonImmutable::setTestNow($stood);
            [$this->in, $this->real] = [null, null];
            $enter($here);
        }
    }
}
