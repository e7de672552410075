<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Apalos\Core\Phrase\Phrase;
use App\Http\Reply;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Questions that take the computer a moment go two at a time, so that facts, the frame and the run always find somebody free.
 */
final class FewAtOnce
{
    private const PLACES = 2;

    private const WAIT_MS = 1500;

    private const LOOK_EVERY_MS = 25;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $place = $this->place();
        if ($place === null) {
            return new JsonResponse(
                ['error' => ['field' => '', 'message' => Reply::atTheDoor(Phrase::of('bench.bench_computer_busy_reckoning'))]],
                503, ['Retry-After' => '2'],
            );
        }
        try {
            return $next($request);
        } finally {
            fclose($place);
        }
    }

    /**
     * Held by a lock that ends with its process, however that ends.
     *
     * @return resource|null
     */
    private function place()
    {
        $until = hrtime(true) + self::WAIT_MS * 1_000_000;
        do {
            for ($i = 0; $i < self::PLACES; $i++) {
                $file = @fopen(storage_path("framework/cache/place-{$i}"), 'c');
                if ($file === false) {
                    // Where no lock can be kept, as on a full disk, nobody is kept waiting.
                    return fopen('php://memory', 'r') ?: null;
                }
                if (flock($file, LOCK_EX | LOCK_NB)) {
                    return $file;
                }
                fclose($file);
            }
            usleep(self::LOOK_EVERY_MS * 1000);
        } while (hrtime(true) < $until);

        return null;
    }
}
