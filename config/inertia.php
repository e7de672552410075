<?php

declare(strict_types=1);

// Pages are told to those who ask for them, and recorded for nobody.
return ['devtools' => ['enabled' => false]];
