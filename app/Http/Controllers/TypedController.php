<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Http\Reply;
use App\Shop\TypedOnScreens;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is typed and not handed in yet, so that another screen finds it. Nothing is reckoned from it. */
final readonly class TypedController
{
    private const LONGEST = 20_000;

    public function __construct(private TypedOnScreens $typed) {}

    public function show(Request $request): JsonResponse
    {
        return Reply::json(['what' => $this->typed->on(self::screen($request->query('screen')), CarbonImmutable::now())]);
    }

    public function update(Request $request): JsonResponse
    {
        $in = Fields::fromJson($request->getContent())->only('screen', 'what');
        $what = $in->object('what')->toArray();
        if (strlen($request->getContent()) > self::LONGEST) {
            throw BadInput::at('what', Phrase::of('bench.too_much_typed'));
        }
        $this->typed->keep(self::screen($in->text('screen')), $what, CarbonImmutable::now());

        return Reply::json(['kept' => true]);
    }

    public function destroy(Request $request): JsonResponse
    {
        $this->typed->forget(self::screen(Fields::fromJson($request->getContent())->text('screen')));

        return Reply::json(['kept' => false]);
    }

    private static function screen(mixed $name): string
    {
        return is_string($name) && $name !== '' && strlen($name) <= 120
            ? $name
            : throw BadInput::at('screen', Phrase::of('bench.say_which_screen'));
    }
}
