<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Http\Reply;
use App\Models\Typed;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is typed and not handed in yet, so that another screen finds it. Nothing is reckoned from it. */
final readonly class TypedController
{
    private const LONGEST = 20_000;

    private const MOST = 200;

    private const KEPT_DAYS = 2;

    public function show(Request $request): JsonResponse
    {
        $typed = Typed::query()->where('screen', $this->screen($request->query('screen')))->where('updated_at', '>=', $this->oldest())->first();

        return Reply::json(['what' => $typed?->what]);
    }

    public function update(Request $request): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('screen', 'what');
        $what = $in->object('what')->toArray();
        if (strlen($request->getContent()) > self::LONGEST) {
            throw BadInput::at('what', Phrase::of('bench.too_much_typed'));
        }
        Typed::query()->where('updated_at', '<', $this->oldest())->delete();
        Typed::query()->updateOrCreate(['screen' => $this->screen($in->text('screen'))], ['what' => $what]);
        $beyond = Typed::query()->orderByDesc('updated_at')->orderByDesc('id')->skip(self::MOST)->take(self::MOST)->pluck('id');
        Typed::query()->whereKey($beyond)->delete();

        return Reply::json(['kept' => true]);
    }

    public function destroy(Request $request): JsonResponse
    {
        Typed::query()->where('screen', $this->screen(Fields::fromJson($request->getContent())->text('screen')))->delete();

        return Reply::json(['kept' => false]);
    }

    private function screen(mixed $name): string
    {
        return is_string($name) && $name !== '' && strlen($name) <= 120 ? $name : throw BadInput::at('screen', Phrase::of('bench.say_which_screen'));
    }

    private function oldest(): CarbonImmutable
    {
        return CarbonImmutable::now()->subDays(self::KEPT_DAYS);
    }
}
