<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

/** What a practised hand is sure of. */
enum Skill: string
{
    case Weighing = 'weighing';
    case Mixing = 'mixing';
    case Time = 'time';
    case Air = 'air';
    case Ground = 'ground';
    case Windows = 'windows';
    case Opening = 'opening';
    case Order = 'order';
    case Heat = 'heat';
    case Watchfulness = 'watchfulness';
}
