<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Day\FrameLook;
use App\Http\Reply;
use App\Models\Hands;
use App\People\Doorkeeper;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Inertia\Middleware;

/** Hands every screen its frame: the workshop, the room and the day strip. */
final class HandleInertiaRequests extends Middleware
{
    protected $rootView = 'app';

    /** @return array<string, mixed> */
    public function share(Request $request): array
    {
        return [
            ...parent::share($request),
            'frame' => static fn (): ?object => self::isIn($request)
                ? Reply::frame(app(FrameLook::class)->at(CarbonImmutable::now())->toArray())
                : null,
            'flash' => fn (): ?string => $this->said($request, 'said'),
            'undo' => fn (): ?string => $this->said($request, 'undo'),
            'taking' => fn (): ?int => $this->taking($request),
            'onward' => fn (): ?array => $this->onward($request),
        ];
    }

    /** Whoever has not come in sees nothing of the shop; an address that leads nowhere has asked nobody who comes. */
    private static function isIn(Request $request): bool
    {
        $keeper = app(Doorkeeper::class);
        $isOwn = WhoComes::isOwnComputer($request);

        return app(Hands::class)->isIn ?? ($keeper->isOpen($isOwn) || $keeper->comesInUnasked($isOwn) !== null);
    }

    /** The large file this browser handed in last, until its end was shown once. */
    private function taking(Request $request): ?int
    {
        $import = $request->hasSession() ? $request->session()->pull('import') : null;

        return is_int($import) ? $import : null;
    }

    /** @return array{words: string, href: string}|null where one would go next */
    private function onward(Request $request): ?array
    {
        [$words, $href] = [$this->said($request, 'onward'), $this->said($request, 'onward_href')];

        return $words === null || $href === null ? null : ['words' => $words, 'href' => $href];
    }

    /** What the last page left to be said; an address that leads nowhere has no session yet. */
    private function said(Request $request, string $key): ?string
    {
        $said = $request->hasSession() ? $request->session()->get($key) : null;

        return is_string($said) ? $said : null;
    }
}
