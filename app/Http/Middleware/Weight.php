<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Apalos\Core\Phrase\Phrase;
use App\Http\Reply;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What is sent has a quarter of a megabyte at most, but where a door takes a file or a photo. Weighed before anything of it is read. */
final readonly class Weight
{
    public const MOST_BYTES = 262_144;

    /** Doors that take more; bin/serve tells nginx the same. */
    public const LARGER = '#^/(swatches(/[0-9]+)?|formulas|versions/[0-9]+/photo|rack/[0-9]+/photo|contacts/patches/[0-9]+|contacts/import|exchange|stores|everything|study/uploads/[0-9a-zA-Z-]+)$#';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $length = (int) $request->headers->get('Content-Length', '0');
        if (
            max($length, $length > self::MOST_BYTES ? 0 : strlen($request->getContent())) > self::MOST_BYTES
            && preg_match(self::LARGER, $request->getPathInfo()) !== 1
        ) {
            return new JsonResponse(
                [
                    'error' => [
                        'field' => '', 'message' => Reply::atTheDoor(Phrase::of('bench.too_much_for_one')),
                    ],
                ],
                Response::HTTP_REQUEST_ENTITY_TOO_LARGE,
            );
        }

        return $next($request);
    }
}
