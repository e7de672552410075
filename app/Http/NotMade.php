<?php

declare(strict_types=1);

namespace App\Http;

use RuntimeException;
use Symfony\Component\HttpFoundation\Response;

/** Nothing was made: what was written on the way to the answer is taken back, and the answer is given. */
final class NotMade extends RuntimeException
{
    public function __construct(public readonly Response $response)
    {
        parent::__construct('Nothing was made.');
    }
}
