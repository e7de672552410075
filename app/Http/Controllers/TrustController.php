<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\WhoComes;
use App\Http\Reply;
use Illuminate\Http\Request;
use Inertia\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** How a tablet comes to trust the bench: the authority of the shop, and the address it then opens. */
final class TrustController
{
    public function show(Request $request): Response
    {
        $file = config()->string('apalos.authority');
        $mark = is_file($file) ? openssl_x509_fingerprint('file://'.$file, 'sha256') : false;
        // Under the name one came by, where that is one of its own: a tablet may know no other.
        $own = rtrim(config()->string('app.url'), '/');
        $address = (string) preg_replace('#//[^:/]+#', "//{$request->getHost()}", $own, 1);

        return Reply::page('people/Trust', [
            'address' => $address, 'here' => $request->getSchemeAndHttpHost(), 'safe' => $request->secure(),
            'own' => WhoComes::isOwnComputer($request),
            'mark' => $mark === false ? null : strtoupper(implode(':', str_split(substr($mark, 0, 16), 2))),
        ]);
    }

    /** What a tablet is given to trust. It is no secret. */
    public function authority(): BinaryFileResponse
    {
        $file = config()->string('apalos.authority');
        is_file($file) || abort(404);

        return response()->file($file, [
            'Content-Type' => 'application/x-x509-ca-cert', 'Content-Disposition' => 'attachment; filename="apalos-authority.crt"',
        ]);
    }
}
