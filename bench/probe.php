<?php

declare(strict_types=1);

// Fifty shops with four tablets each on two servers that share PostgreSQL and Redis, as bin/serve serves them: how long a live number and a
// step take, and whether a fact is lost or doubled when one of the two is killed half-way. Each tablet asks as often as a screen does; in
// every shop one of them weighs, and another shows the same run. FSYNC=on bin/shared php bench/many.php [--shops 50] [--seconds 60]. Ends with 1 where a limit is broken.

use App\Models\Build;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Person;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Role;
use App\Models\Workshop;
use App\People\ShopAtHand;
use App\People\WriteDown;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Tablets.php';

const PASSPHRASE = 'three wet plaster bats';
const LOOK_MS = 250.0;
const STEP_MS = 400.0;
$said = static fn (string $word, int $else): int => ($at = array_search($word, $argv, true)) === false ? $else : (int) $argv[$at + 1];
[$shops, $seconds] = [$said('--shops', 50), $said('--seconds', 60)];
getenv('DB_CONNECTION') === 'pgsql' && getenv('CACHE_STORE') === 'redis' || exit("Run it with what servers share: FSYNC=on bin/shared php bench/many.php\n");

$folder = sys_get_temp_dir().'/apalos-many-'.getmypid();
mkdir($folder, 0755);
$env = [
    'APALOS_KEY' => 'base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY=', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY=', 'QUEUE_CONNECTION' => 'redis', 'APP_ENV' => 'production', 'APP_DEBUG' => 'false',
    // Whoever comes in is not what is measured.
    'ARGON_KB' => '1024', 'ARGON_ROUNDS' => '1', 'SCALE_ADDRESS' => '', 'THERMOMETER_ADDRESS' => '', 'PROBE_ADDRESS' => '',
];
array_map(static fn (string $name, string $value) => putenv("{$name}={$value}"), array_keys($env), $env);
$_ENV = [...$_ENV, ...$env];
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
Artisan::call('migrate', ['--force' => true]);

$now = CarbonImmutable::now();
$sheet = ['volume' => null, 'target' => ['mass_g' => 100, 'waste_pct' => 0], 'formula' => ['base' => 'pr-10', 'additives' => []], 'plan' => ['scale' => ['division_g' => 0.1, 'capacity_g' => 3000], 'vessel' => null, 'mix_min' => 3, 'degas_min' => 0, 'pour_g_per_min' => 150], 'formula_name' => 'Skin'];
$tablets = [];
for ($n = 1; $n <= $shops; $n++) {
    $shop = Workshop::query()->create(['name' => "Bench {$n}", 'known_as' => "bench-{$n}", 'set_up_at' => $now, 'time_zone' => 'UTC', 'cables' => false])->refresh();
    ShopAtHand::enter($shop);
    $pin = null;
    foreach (['Odila' => Role::Owner, 'Bram' => Role::Maker, 'Tove' => Role::Maker, 'Lis' => Role::Apprentice] as $name => $role) {
        app(WriteDown::class)(Fields::of(['name' => $name, 'role' => $role->value, 'passphrase' => PASSPHRASE]));
    }
    (new RoomTemperature($shop))->note(Celsius::of(20.0 + $n % 5), 'hand', $now);
    // A dozen jobs behind them, one under way.
    for ($i = 0; $i < 12; $i++) {
        $job = Job::query()->create(['name' => "Piece {$i}", 'quantity' => 3]);
        $link = $job->impressions()->create(['kind' => 'cast', 'name' => 'Skin', 'material' => 'pr-10', 'position' => 0]);
        $build = Build::query()->create(['impression_id' => $link->id, 'plain' => true, 'kind' => 'pour', 'name' => 'Pour', 'created_at' => $now]);
        $pour = Pour::query()->create(['impression_id' => $link->id, 'build_id' => $build->id, 'sheet' => $sheet, 'state' => PourState::Draft]);
    }
    foreach (['Odila', 'Bram', 'Tove', 'Lis'] as $i => $name) {
        $tablets[] = new Tablet($n, $i, "bench-{$n}", $name, $i >= 2 ? (int) $pour->id : null, $i === 3);
    }
}


$port=18080; $st="$folder/st"; foreach(['framework/cache/data','framework/views','framework/sessions','logs','app'] as $d) @mkdir("$st/$d",0777,true);
$e=[...getenv(),...$env,'LARAVEL_STORAGE_PATH'=>$st,'APP_CONFIG_CACHE'=>"$st/c.php",'APP_ROUTES_CACHE'=>"$st/r.php",'PHP_CLI_SERVER_WORKERS'=>'2','APP_URL'=>"http://127.0.0.1:$port"];
foreach(['config:cache','route:cache'] as $c){ $pp=new Symfony\Component\Process\Process([PHP_BINARY,'-d','variables_order=EGPCS','artisan',$c],dirname(__DIR__),$e); $pp->mustRun(); }
$pr=new Symfony\Component\Process\Process([PHP_BINARY,'-d','variables_order=EGPCS','-d','opcache.enable_cli=1','-d','opcache.validate_timestamps=0','-d','auto_prepend_file=/tmp/prep.php','-S',"127.0.0.1:$port",dirname(__DIR__).'/bin/router.php'],dirname(__DIR__).'/public',$e,null,null); $pr->disableOutput(); $pr->start(); sleep(2);
$sv=(object)['port'=>$port];
$crowd=new Crowd($tablets,[$sv,$sv]); $crowd->comeIn(PASSPHRASE);
$probe = new ReflectionMethod($crowd,'curl'); $t=$tablets[3];
foreach([['GET','/up'],['GET','/frame'],['GET',"/pours/{$t->pour}/state"]] as [$m,$p]){ for($i=0;$i<10;$i++) curl_exec($probe->invoke($crowd,$t,$m,$p,null,0)); $a=microtime(true); for($i=0;$i<30;$i++){ $c=$probe->invoke($crowd,$t,$m,$p,null,0); curl_exec($c);} printf("%s %.1f ms, status %d\n",$p,(microtime(true)-$a)*1000/30,curl_getinfo($c,CURLINFO_RESPONSE_CODE)); }
$pr->stop(1);
exit;
