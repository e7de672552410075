<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

/** What can go wrong at a bench, and is asked of a scenario. */
enum MishapKind: string
{
    /** The hand lets go late: so many grams run on after every line. */
    case HeavyHand = 'heavy_hand';
    /** From a minute on the room is so warm. */
    case Room = 'room';
    /** It pours for so many times as long as its sheet says. */
    case PotLife = 'pot_life';
    /** Its recoat window opens and shuts after so many times what the sheet says. */
    case Recoat = 'recoat';
    /** It may be opened after so many times what the sheet says. */
    case Demould = 'demould';
    /** It lies against what stops or holds up its cure, and nobody has said so. */
    case Ground = 'ground';
    /** The scale says nothing for so many seconds while a line is poured. */
    case ScaleOut = 'scale_out';
    /** Something presses on the pan with so many grams while a line is poured. */
    case ScaleLeans = 'scale_leans';
    /** Under vacuum it rises to so many times its volume. */
    case Rises = 'rises';
    /** Somebody calls, and would keep one for so many minutes. */
    case Called = 'called';
    /** So many grams a minute run out at the seam. */
    case Leak = 'leak';
    /** The tub in the hand is another part's than the line asks for. */
    case WrongTub = 'wrong_tub';
    /** The plate under the pot is so many times as strong as it says. */
    case Plate = 'plate';
    /** The tube of a line is empty before the line is in. */
    case EmptyTube = 'empty_tube';
}
