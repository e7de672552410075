<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** What a surface does to the cure of what touches it. */
enum Inhibition: string
{
    case None = 'none';
    case MaySlow = 'may-slow';
    case Stops = 'stops';

    public function isWorseThan(self $other): bool
    {
        $order = [self::None->value => 0, self::MaySlow->value => 1, self::Stops->value => 2];

        return $order[$this->value] > $order[$other->value];
    }
}
