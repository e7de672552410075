<?php

declare(strict_types=1);

// Runs a command and says on standard error how many seconds it took and how many MB it had at most.

$from = hrtime(true);
$process = proc_open(array_slice($argv, 1), [STDIN, STDOUT, ['file', '/dev/null', 'w']], $pipes);
$exit = proc_close($process);
fprintf(STDERR, "%.4f %.1f\n", (hrtime(true) - $from) / 1e9, getrusage(1)['ru_maxrss'] / 1024.0);
exit($exit);
