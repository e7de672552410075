<?php

declare(strict_types=1);

namespace App\Devices;

/** A printer of labels, whatever speaks for it. */
interface LabelPort
{
    /**
     * One label. Returns when it is out.
     *
     * @param  string  $pbm  a bitmap as `P4`: what is set is black
     *
     * @throws DeviceLost when nothing came out
     * @throws PrinterUnsure when it may have come out
     */
    public function print(string $pbm): void;
}
