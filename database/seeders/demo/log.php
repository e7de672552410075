<?php

declare(strict_types=1);

// Three months of pours: days before now, hour of the day, link, sheet, how it came out, share of the weighed mass that was used.
$sheets = require __DIR__.'/sheets.php';
$entry = static fn (
    int $day, float $hour, string $link, string $sheet, string $grade, array $faults, float $used, string $note, array $slip = [],
): array => [
    'day' => $day, 'hour' => $hour, 'link' => $link, 'sheet' => $sheets[$sheet], 'grade' => $grade, 'faults' => $faults, 'used' => $used,
    'note' => $note, 'slip' => $slip,
];

return [
    $entry(
        86, 9.5, 'Dune crab/Open block', 'crab-mould', 'good', [], 0.97,
        'Printed crab came out clean after a day in the sun and two coats of lacquer.',
    ),
    $entry(84, 10.0, 'Dune crab/Crabs', 'crab', 'poor', ['bubbles'], 0.94, 'Poured too hot, it boiled in the claws.'),
    $entry(83, 10.0, 'Dune crab/Crabs', 'crab', 'usable', ['short-fill'], 0.9, 'Left claw short. Vent was blocked.'),
    $entry(80, 14.0, 'Practice forearm/Tray', 'tray', 'good', [], 0.98, ''),
    $entry(
        78, 11.0, 'Practice forearm/Skin sheets', 'forearm', 'usable', ['too-hard'], 0.95,
        'Ten per cent softener was of one part, not of both. It shows.',
    ),
    $entry(77, 9.0, 'Owl brow/Plaster mould', 'brow-mould', 'good', [], 0.96, ''),
    $entry(74, 13.0, 'Practice forearm/Skin sheets', 'forearm', 'good', [], 0.96, 'Stitches hold without cutting through.'),
    $entry(
        70, 9.5, 'Owl brow/Brows', 'brow', 'spoilt', ['sticky'], 0.93,
        'Never cured along one edge: the sealer on the plaster was a day old.',
    ),
    $entry(69, 10.5, 'Dune crab/Crabs', 'crab', 'good', [], 0.93, ''),
    $entry(67, 9.5, 'Owl brow/Brows', 'brow', 'usable', ['pale-edge'], 0.92, 'A little more oxblood at the edge, brushed on first.'),
    $entry(63, 15.0, 'Practice forearm/Skin sheets', 'forearm', 'good', [], 0.95, ''),
    $entry(61, 10.0, 'Dune crab/Crabs', 'crab', 'good', [], 0.91, ''),
    $entry(58, 9.0, 'Skiff-oar grip/Half 1', 'grip-half', 'good', [], 0.94, 'Three per cent less than planned. Four keys, all sharp.'),
    $entry(56, 11.0, 'Owl brow/Brows', 'brow', 'good', [], 0.9, 'This one moves. Same again.'),
    $entry(52, 10.0, 'Practice forearm/Skin sheets', 'forearm', 'superb', [], 0.95, 'The teacher asked who it was.'),
    $entry(49, 9.5, 'Hatch gasket/Flat mould', 'gasket-mould', 'good', [], 0.97, ''),
    $entry(
        47, 10.0, 'Hatch gasket/Gaskets', 'gasket', 'poor', ['bubbles', 'lines'], 0.94, 'Room at 23, it went stringy before the far end.',
    ),
    $entry(45, 9.0, 'Hatch gasket/Gaskets', 'gasket', 'good', [], 0.93, 'Two cups, poured from both ends.'),
    $entry(44, 14.0, 'Dune crab/Crabs', 'crab', 'superb', [], 0.9, 'Sinks as it should.'),
    $entry(40, 9.0, 'Hatch gasket/Gaskets', 'gasket', 'good', [], 0.93, 'Over-poured A by a fair bit; rescued, no harm.', ['A' => 9.4]),
    $entry(38, 11.0, 'Owl brow/Brows', 'brow', 'good', [], 0.91, ''),
    $entry(35, 10.0, 'Practice forearm/Skin sheets', 'forearm', 'good', [], 0.96, ''),
    $entry(33, 9.5, 'Hatch gasket/Gaskets', 'gasket', 'usable', ['colour-off'], 0.94, 'Soot by eye. Never again by eye.'),
    $entry(30, 13.0, 'Dune crab/Crabs', 'crab', 'good', [], 0.92, ''),
    $entry(28, 9.0, 'Owl brow/Brows', 'brow', 'usable', ['tear'], 0.9, 'Opened an hour early.'),
    $entry(26, 10.0, 'Hatch gasket/Gaskets', 'gasket', 'good', [], 0.93, ''),
    $entry(
        23, 11.0, 'Practice forearm/Skin sheets', 'forearm', 'spoilt', ['soft-spots'], 0.95,
        'One corner wet. Somebody did not scrape the bottom.',
    ),
    $entry(22, 11.0, 'Practice forearm/Skin sheets', 'forearm', 'good', [], 0.95, ''),
    $entry(19, 9.0, 'Dune crab/Crabs', 'crab', 'usable', ['short-fill'], 0.9, 'Same claw.'),
    $entry(16, 10.0, 'Hatch gasket/Gaskets', 'gasket', 'superb', [], 0.93, 'Best closing one so far.'),
    $entry(13, 9.5, 'Owl brow/Brows', 'brow', 'good', [], 0.91, ''),
    $entry(11, 14.0, 'Practice forearm/Skin sheets', 'forearm', 'good', [], 0.96, ''),
    $entry(9, 9.0, 'Dune crab/Crabs', 'crab', 'good', [], 0.91, 'Opened the vent with a hot needle.'),
    $entry(7, 10.0, 'Hatch gasket/Gaskets', 'gasket', 'good', [], 0.93, ''),
    $entry(6, 10.0, 'Owl brow/Brows', 'brow', 'superb', [], 0.9, 'The one to repeat.'),
    $entry(4, 9.5, 'Practice forearm/Skin sheets', 'forearm', 'good', [], 0.95, ''),
    $entry(3, 9.0, 'Hatch gasket/Gaskets', 'gasket', 'good', ['flash'], 0.94, 'Straps slack on the long side.'),
];
