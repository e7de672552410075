<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/** A piece cut across at a height: the outline there. */
final readonly class CrossSection
{
    /**
     * @param  list<array{array{float, float, float}, array{float, float, float}}>  $segments  across, across, along; mm
     * @param  list<list<string>>  $ends
     */
    private function __construct(public array $segments, private array $ends) {}

    public static function at(Facing $facing, float $level): self
    {
        [$u, $v, $w, $corners] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners];
        $segments = $ends = [];
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            $a = $corners[$h];
            $b = $corners[$h + 1];
            $c = $corners[$h + 2];
            $over = ($w[$a] > $level ? 1 : 0) + ($w[$b] > $level ? 1 : 0) + ($w[$c] > $level ? 1 : 0);
            if ($over === 0 || $over === 3) {
                continue;
            }
            $two = $keys = [];
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$p, $q]) {
                if (($w[$p] > $level) !== ($w[$q] > $level)) {
                    $t = ($level - $w[$p]) / ($w[$q] - $w[$p]);
                    $two[] = [$u[$p] + $t * ($u[$q] - $u[$p]), $v[$p] + $t * ($v[$q] - $v[$p]), $level];
                    $keys[] = $p < $q ? "{$p} {$q}" : "{$q} {$p}";
                }
            }
            if (isset($two[0], $two[1])) {
                $segments[] = [$two[0], $two[1]];
                $ends[] = $keys;
            }
        }

        return new self($segments, $ends);
    }

    public function loops(): int
    {
        return count(array_unique(Chains::of($this->ends)));
    }
}
