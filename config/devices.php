<?php

declare(strict_types=1);

// The scale, the thermometer of the room and the probe in the pot speak lines over TCP, the label printer takes a raster: a serial device
// behind a small serial server, or the stand-ins that `bin/demo` starts. Without an address there is none, and readings are typed.
return [
    'scale' => ['address' => env('SCALE_ADDRESS', ''), 'timeout_s' => 0.4],
    'thermometer' => ['address' => env('THERMOMETER_ADDRESS', ''), 'timeout_s' => 0.4],
    'probe' => ['address' => env('PROBE_ADDRESS', ''), 'timeout_s' => 0.4],
    // A label takes its printer a second or two. One that answers nothing is told so: LABELS_ANSWER=false.
    'labels' => ['address' => env('LABELS_ADDRESS', ''), 'timeout_s' => 6.0, 'answers' => (bool) env('LABELS_ANSWER', true)],
    'simulated' => (bool) env('DEVICES_SIMULATED', false),
];
