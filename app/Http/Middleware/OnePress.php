<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Http\NotMade;
use App\Http\Reply;
use App\Http\Rules\Picture;
use App\Models\Workshop;
use App\Storage\KeepPhoto;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Validator;
use LogicException;
use Symfony\Component\HttpFoundation\Response;

/**
 * One press makes one thing. Whatever creates something is told with a key of the press (`X-Press`); sent again, because a finger was
 * quick or an answer was lost, it gives the same answer and makes nothing more. Key, answer and what was made are written down together
 * or not at all, however the machine dies. What was refused leaves no key: put right, the same press is made anew.
 */
final readonly class OnePress
{
    public const KEY = 'X-Press';

    public function __construct(private Workshop $workshop, private KeepPhoto $photos) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $key = (string) $request->headers->get(self::KEY);
        if (preg_match('/^[0-9A-Za-z-]{8,64}$/', $key) !== 1) {
            throw BadInput::at('press', Phrase::of('bench.say_which_press'));
        }
        $press = ['workshop_id' => $this->workshop->id, 'key' => $key];
        $said = ['door' => mb_strcut($request->method().' '.$request->path(), 0, 190), 'said' => self::said($request)];
        // Unpacking a photo takes a while: nobody waits for their turn to write meanwhile.
        $photo = $request->file('photo');
        if ($photo instanceof UploadedFile && Validator::make(['photo' => $photo], ['photo' => [new Picture]])->passes()) {
            $this->photos->unpack($photo);
        }
        try {
            return DB::transaction(static function () use ($request, $next, $press, $said): Response {
                if (
                    DB::table('presses')->insertOrIgnore([
                        ...$press, ...$said, 'pressed_at' => CarbonImmutable::now('UTC')->format('Y-m-d H:i:s.v'),
                    ]) === 0
                ) {
                    return self::again(
                        $request,
                        DB::table('presses')->where($press)->first() ?? throw new LogicException('A press that is there can be read.'),
                        $said,
                    );
                }
                $response = $next($request);
                if (! self::wentWell($request, $response)) {
                    throw new NotMade($response);
                }
                DB::table('presses')->where($press)->update([
                    'answer' => json_encode(self::answer($request, $response), JSON_THROW_ON_ERROR),
                ]);

                return $response;
            });
        } catch (NotMade $refused) {
            return $refused->response;
        }
    }

    /** What was pressed, boiled down: the same key with another content is another press. */
    private static function said(Request $request): string
    {
        $files = array_map(
            static fn (mixed $file): string => $file instanceof UploadedFile && $file->isValid()
                ? (string) hash_file('sha256', $file->getRealPath())
                : '',
            $request->allFiles(),
        );
        $parts = $files === [] && $request->isJson() ? [$request->getContent()] : [$request->request->all(), $files];

        return hash('sha256', json_encode([$request->query->all(), ...$parts], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    /** A refusal is an answer in the fours, an exception, or a way back with what is wrong beside the field. */
    private static function wentWell(Request $request, Response $response): bool
    {
        return $response->getStatusCode() < 400
            && ($response->exception ?? null) === null
            && ! in_array('errors', self::flashed($request), true);
    }

    /** @return array{status: int, to?: string, json?: string, flash: array<string, mixed>} */
    private static function answer(Request $request, Response $response): array
    {
        $flash = [];
        foreach (self::flashed($request) as $name) {
            $flash[$name] = $request->session()->get($name);
        }

        return match (true) {
            $response instanceof RedirectResponse => [
                'status' => $response->getStatusCode(), 'to' => $response->getTargetUrl(), 'flash' => $flash,
            ],
            $response instanceof JsonResponse => [
                'status' => $response->getStatusCode(), 'json' => (string) $response->getContent(), 'flash' => $flash,
            ],
            default => throw new LogicException('What makes something answers with a way or with JSON.'),
        };
    }

    /** @return list<string> what this request leaves for the next page to say */
    private static function flashed(Request $request): array
    {
        $names = $request->hasSession() ? $request->session()->get('_flash.new', []) : [];

        return is_array($names) ? array_values(array_filter($names, is_string(...))) : [];
    }

    /** @param  array{door: string, said: string}  $said */
    private static function again(Request $request, \stdClass $known, array $said): Response
    {
        if ($known->door !== $said['door'] || $known->said !== $said['said']) {
            return new JsonResponse(
                [
                    'error' => [
                        'field' => 'press',
                        'message' => Reply::say(Phrase::of('bench.press_made_with_something')),
                    ],
                ],
                Response::HTTP_CONFLICT,
            );
        }
        $answer = json_decode((string) $known->answer, true);
        foreach (is_array($answer['flash'] ?? null) && $request->hasSession() ? $answer['flash'] : [] as $name => $value) {
            $request->session()->flash((string) $name, $value);
        }

        return is_string($answer['to'] ?? null)
            ? new RedirectResponse($answer['to'], (int) $answer['status'])
            : JsonResponse::fromJsonString((string) ($answer['json'] ?? '{}'), (int) ($answer['status'] ?? 200));
    }
}
