<?php

declare(strict_types=1);

use App\Http\Controllers\AwayController;
use App\Http\Controllers\BenchController;
use App\Http\Controllers\BuildController;
use App\Http\Controllers\CardController;
use App\Http\Controllers\ClockController;
use App\Http\Controllers\ColourController;
use App\Http\Controllers\ContactChoiceController;
use App\Http\Controllers\ContactController;
use App\Http\Controllers\CostController;
use App\Http\Controllers\DamagedController;
use App\Http\Controllers\DayController;
use App\Http\Controllers\DeviceController;
use App\Http\Controllers\ExchangeController;
use App\Http\Controllers\FaultController;
use App\Http\Controllers\FindController;
use App\Http\Controllers\FirstController;
use App\Http\Controllers\FormulaController;
use App\Http\Controllers\GlossaryController;
use App\Http\Controllers\HardnessController;
use App\Http\Controllers\ImpressionController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\KeptController;
use App\Http\Controllers\LabelController;
use App\Http\Controllers\LogController;
use App\Http\Controllers\LotController;
use App\Http\Controllers\MouldController;
use App\Http\Controllers\PaperController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PointController;
use App\Http\Controllers\PourController;
use App\Http\Controllers\PracticeController;
use App\Http\Controllers\PrinterController;
use App\Http\Controllers\RackController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\SeriesController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\StoresController;
use App\Http\Controllers\StudyController;
use App\Http\Controllers\SwatchController;
use App\Http\Controllers\TakingAlongController;
use App\Http\Controllers\TrustController;
use App\Http\Controllers\TypedController;
use App\Http\Controllers\UpController;
use App\Http\Controllers\WaysController;
use App\Http\Controllers\WorkshopController;
use App\Http\Middleware\FewAtOnce;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\LightSession;
use App\Http\Middleware\OnePress;
use App\Http\Middleware\QuietSession;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Route;
use Illuminate\View\Middleware\ShareErrorsFromSession;

Route::pattern('job', '[0-9]{1,15}');
Route::pattern('impression', '[0-9]{1,15}');
Route::pattern('pour', '[0-9]{1,15}');
Route::pattern('build', '[0-9]{1,15}');
Route::pattern('model', '[0-9]{1,15}');
Route::pattern('study', '[0-9]{1,15}');

foreach (['mould', 'lot', 'trial', 'version'] as $record) {
    Route::pattern($record, '[0-9]{1,15}');
}

Route::get('/trust', [TrustController::class, 'show']);
Route::get('/authority.crt', [TrustController::class, 'authority']);
Route::get('/sign-in', [SignInController::class, 'show']);
Route::post('/sign-in', [SignInController::class, 'in']);
Route::post('/sign-in/again', [SignInController::class, 'again']);
Route::post('/sign-out', [SignInController::class, 'out']);
Route::get('/hands', [SignInController::class, 'hands']);
Route::post('/hands', [SignInController::class, 'take']);
Route::post('/hands/rest', [SignInController::class, 'rest']);
Route::post('/countersign', [SignInController::class, 'countersign']);
Route::get('/welcome/{secret}', [SignInController::class, 'welcome'])->where('secret', '[0-9a-f]{40}');
Route::post('/welcome/{secret}', [SignInController::class, 'begin'])->where('secret', '[0-9a-f]{40}');
Route::get('/people', [PeopleController::class, 'show']);
Route::post('/people', [PeopleController::class, 'store'])->middleware(OnePress::class);
Route::put('/people/{person}', [PeopleController::class, 'update'])->where('person', '[0-9a-zA-Z]{26}');
Route::post('/people/{person}/leave', [PeopleController::class, 'leave'])->where('person', '[0-9a-zA-Z]{26}');
Route::post('/people/{person}/forget', [PeopleController::class, 'forget'])->where('person', '[0-9a-zA-Z]{26}');
Route::post('/people/{person}/end', [PeopleController::class, 'end'])->where('person', '[0-9a-zA-Z]{26}');
Route::post('/tablets', [PeopleController::class, 'trust']);
Route::put('/tablets', [PeopleController::class, 'unused']);
Route::post('/people/tokens', [PeopleController::class, 'token']);
Route::delete('/people/tokens/{token}', [PeopleController::class, 'revoke'])->whereNumber('token');
Route::delete('/tablets/{tablet}', [PeopleController::class, 'untrust'])->whereNumber('tablet');

Route::get('/', BenchController::class);

Route::get('/rack', [RackController::class, 'index']);
Route::get('/rack.csv', [RackController::class, 'csv']);
Route::post('/rack', [RackController::class, 'store'])->middleware(OnePress::class);
Route::put('/rack/school', [RackController::class, 'school']);
Route::get('/rack/{mould}', [RackController::class, 'show']);
Route::post('/rack/{mould}/facts', [RackController::class, 'record']);
Route::post('/rack/{mould}/photo', [RackController::class, 'photo']);
Route::get('/rack/{mould}/photo', [RackController::class, 'picture']);
Route::post('/rack/{mould}/remake', [RackController::class, 'remake'])->middleware(OnePress::class);
Route::post('/impressions/{impression}/mould', [RackController::class, 'adopt'])->middleware(OnePress::class);
Route::match(['put', 'post'], '/impressions/{impression}/gone', [RackController::class, 'gone']);

Route::get('/stores/kits.csv', [LotController::class, 'csv']);
Route::post('/stores/lots', [LotController::class, 'store'])->middleware(OnePress::class);
Route::get('/stores/lots/{lot}', [LotController::class, 'show']);
Route::get('/stores/lots/{lot}/recall', [LotController::class, 'recall']);
Route::get('/stores/lots/{lot}/recall.csv', [LotController::class, 'recalled']);
Route::post('/stores/lots/{lot}/facts', [LotController::class, 'record']);
Route::put('/stores/{code}/kit', [LotController::class, 'kit'])->where('code', '[a-z0-9-]+');

Route::get('/jobs/{job}/cost', [CostController::class, 'job']);
Route::get('/jobs/{job}/cost/way', [CostController::class, 'way']);
Route::get('/versions/{version}/cost', [CostController::class, 'formula']);
Route::get('/rack/{mould}/cost', [CostController::class, 'mould']);
Route::put('/cost/rate', [CostController::class, 'rate']);

Route::get('/faults', [FaultController::class, 'show']);
Route::post('/trials', [FaultController::class, 'plan'])->middleware(OnePress::class);
Route::get('/trials/{trial}', [FaultController::class, 'trial']);
Route::post('/trials/{trial}/facts', [FaultController::class, 'record']);
Route::post('/trials/{trial}/become', [FaultController::class, 'become'])->middleware(OnePress::class);

Route::get('/pours/{pour}/kept', [KeptController::class, 'show']);
Route::post('/pours/{pour}/came-short', [KeptController::class, 'cameShort']);
Route::post('/pours/{pour}/left-over', [KeptController::class, 'leftOver']);
Route::put('/waiting', [KeptController::class, 'waiting']);

Route::get('/clock/{base}', [ClockController::class, 'show'])->where('base', '[a-z0-9-]{1,60}');
Route::put('/clock/gels/{pour}', [ClockController::class, 'gel']);
Route::put('/clock/touches/{build}', [ClockController::class, 'touch']);

Route::get('/day', [DayController::class, 'show']);
Route::post('/day/put', [DayController::class, 'put']);

// A page whose session has ended takes a new token.
Route::get('/token', static fn (): Response => response()->noContent());

Route::get('/first', [FirstController::class, 'show']);
Route::post('/first/shelf', [FirstController::class, 'shelf'])->middleware(OnePress::class);

Route::middleware(FewAtOnce::class)->group(static function (): void {
    Route::get('/paper/pours/{pour}.{format}', [PaperController::class, 'batch'])->whereNumber('pour')->whereIn('format', ['pdf', 'html']);
    Route::get('/paper/builds/{build}.{format}', [
        PaperController::class, 'build',
    ])->whereNumber('build')->whereIn('format', ['pdf', 'html']);
    Route::get('/paper/versions/{version}.{format}', [
        PaperController::class, 'formula',
    ])->whereNumber('version')->whereIn('format', ['pdf', 'html']);
    Route::get('/paper/jobs/{job}.{format}', [PaperController::class, 'job'])->whereNumber('job')->whereIn('format', ['pdf', 'html']);
    Route::get('/paper/jobs/{job}/care.{format}', [PaperController::class, 'care'])->whereNumber('job')->whereIn('format', ['pdf', 'html']);
    Route::get('/paper/day.{format}', [PaperController::class, 'day'])->whereIn('format', ['pdf', 'html']);
    Route::get('/paper/to-buy.{format}', [PaperController::class, 'toBuy'])->whereIn('format', ['pdf', 'html']);
    Route::get('/paper/labels.{format}', [PaperController::class, 'labels'])->whereIn('format', ['pdf', 'html']);
    Route::get('/jobs/{job}/file.json', [PaperController::class, 'jobFile'])->whereNumber('job');
});
Route::post('/jobs/file', [PaperController::class, 'takeJob'])->middleware(OnePress::class);

Route::get('/practice', [PracticeController::class, 'index']);
Route::post('/practice', [PracticeController::class, 'begin'])->middleware(OnePress::class);
Route::post('/practice/this', [PracticeController::class, 'this'])->middleware(OnePress::class);
Route::post('/practice/scenarios', [PracticeController::class, 'write'])->middleware(OnePress::class);
Route::delete('/practice/scenarios/{scenario}', [PracticeController::class, 'forget'])->whereNumber('scenario');
Route::get('/practice/tries/{try}', [PracticeController::class, 'came'])->whereNumber('try');
Route::post('/practice/tries/{try}/end', [PracticeController::class, 'end'])->whereNumber('try');
Route::post('/practice/tries/{try}/again', [PracticeController::class, 'again'])->whereNumber('try')->middleware(OnePress::class);
Route::post('/practice/bench', [PracticeController::class, 'act']);

Route::get('/jobs', [JobController::class, 'index']);
Route::post('/jobs', [JobController::class, 'store'])->middleware(OnePress::class);
Route::get('/jobs/{job}', [JobController::class, 'show']);
Route::put('/jobs/{job}', [JobController::class, 'update']);
Route::delete('/jobs/{job}', [JobController::class, 'destroy']);
Route::post('/jobs/{job}/restore', [JobController::class, 'restore']);
Route::get('/jobs/{job}/mould', [MouldController::class, 'show']);
Route::post('/jobs/{job}/mould', [MouldController::class, 'store'])->middleware(OnePress::class);
Route::get('/jobs/{job}/plan', [WaysController::class, 'show']);
Route::post('/jobs/{job}/plan', [WaysController::class, 'take'])->middleware(OnePress::class);
Route::post('/jobs/{job}/plan/{taken}/back', [WaysController::class, 'leave'])->whereNumber('taken');
Route::post('/jobs/{job}/impressions', [ImpressionController::class, 'store'])->middleware(OnePress::class);
Route::put('/impressions/{impression}', [ImpressionController::class, 'update']);
Route::post('/impressions/{impression}/move', [ImpressionController::class, 'move']);
Route::post('/impressions/{impression}/take-out', [ImpressionController::class, 'destroy']);
Route::delete('/impressions/{impression}', [ImpressionController::class, 'destroy']);
Route::post('/impressions/{impression}/restore', [ImpressionController::class, 'restore']);
Route::put('/impressions/{impression}/contacts/{key}', [ContactChoiceController::class, 'choose'])->where('key', '[a-z0-9-]+');
Route::post('/impressions/{impression}/contacts/{key}/way', [
    ContactChoiceController::class, 'take',
])->where('key', '[a-z0-9-]+')->middleware(OnePress::class);
Route::post('/impressions/{impression}/contacts/{key}/patches', [
    ContactChoiceController::class, 'patches',
])->where('key', '[a-z0-9-]+')->middleware(OnePress::class);
Route::post('/impressions/{impression}/pours', [ImpressionController::class, 'pour'])->middleware(OnePress::class);

Route::post('/impressions/{impression}/builds', [BuildController::class, 'plan'])->middleware(OnePress::class);
Route::get('/builds/{build}', [BuildController::class, 'show']);
Route::post('/builds/{build}/facts', [BuildController::class, 'record']);
Route::post('/builds/{build}/keep', [BuildController::class, 'keep'])->middleware(OnePress::class);
Route::post('/builds/{build}/again', [BuildController::class, 'again'])->middleware(OnePress::class);
Route::post('/builds/{build}/operations/{operation}/pour', [
    BuildController::class, 'mix',
])->where('operation', '[a-z0-9-]+')->middleware(OnePress::class);
Route::delete('/builds/{build}', [BuildController::class, 'destroy']);
Route::post('/builds/{build}/restore', [BuildController::class, 'restore']);

Route::get('/study', [StudyController::class, 'index']);
Route::put('/study/uploads/{upload}', [StudyController::class, 'piece'])->where('upload', '[0-9a-zA-Z-]{8,64}');
Route::delete('/study/uploads/{upload}', [StudyController::class, 'drop'])->where('upload', '[0-9a-zA-Z-]{8,64}');
Route::post('/study', [StudyController::class, 'store']);
Route::get('/study/{model}', [StudyController::class, 'show']);
Route::put('/study/{model}', [StudyController::class, 'update']);
Route::delete('/study/{model}', [StudyController::class, 'destroy']);
Route::post('/study/{model}/restore', [StudyController::class, 'restore'])->withTrashed();
Route::post('/studies/{study}/stop', [StudyController::class, 'stop']);
Route::post('/studies/{study}/job', [StudyController::class, 'put'])->middleware(OnePress::class);
Route::get('/studies/{study}/picture.{part}', [StudyController::class, 'picture'])->whereIn('part', ['mesh', 'states']);
Route::get('/studies/{study}/box.{format}', [StudyController::class, 'box'])->whereIn('format', ['svg', 'dxf']);

Route::get('/pours/{pour}', [PourController::class, 'show']);
Route::put('/pours/{pour}/sheet', [PourController::class, 'sheet']);
Route::delete('/pours/{pour}', [PourController::class, 'destroy']);
Route::post('/pours/{pour}/restore', [PourController::class, 'restore']);
Route::post('/pours/{pour}/run', [PourController::class, 'start']);
Route::post('/pours/{pour}/again', [PourController::class, 'again'])->middleware(OnePress::class);
Route::get('/pours/{pour}/card', [CardController::class, 'show']);
Route::post('/pours/{pour}/card', [CardController::class, 'begin']);
Route::post('/pours/{pour}/card/typed', [CardController::class, 'type']);
Route::get('/pours/{pour}/run', [RunController::class, 'show']);
Route::post('/pours/{pour}/plan', [RunController::class, 'plan']);
Route::post('/pours/{pour}/events', [RunController::class, 'record']);
Route::get('/pours/{pour}/history', [RunController::class, 'history']);

Route::post('/damaged/pours/{pour}', [DamagedController::class, 'pour']);
Route::post('/damaged/pours/{pour}/back', [DamagedController::class, 'pourBack']);
Route::post('/damaged/builds/{build}', [DamagedController::class, 'build']);
Route::post('/damaged/builds/{build}/back', [DamagedController::class, 'buildBack']);

Route::get('/contacts', [ContactController::class, 'board']);
Route::post('/contacts/patches', [ContactController::class, 'plan'])->middleware(OnePress::class);
Route::post('/contacts/patches/{patch}', [ContactController::class, 'read'])->whereNumber('patch')->middleware(OnePress::class);
Route::post('/contacts/patches/{patch}/undo', [ContactController::class, 'unread'])->whereNumber('patch');
Route::get('/contacts/patches/{patch}/photo', [ContactController::class, 'photo'])->whereNumber('patch');
Route::get('/contacts.{format}', [ContactController::class, 'export'])->whereIn('format', ['yaml', 'json']);
Route::delete('/contacts/rules/{rule}', [ContactController::class, 'forget'])->whereNumber('rule');

Route::get('/swatches', [HardnessController::class, 'show']);
Route::post('/swatches/hardness/sheet', [HardnessController::class, 'write'])->middleware(OnePress::class);
Route::get('/swatches/colour', [ColourController::class, 'show']);
Route::post('/swatches/colour/sheet', [ColourController::class, 'write'])->middleware(OnePress::class);
Route::post('/swatches/targets', [ColourController::class, 'keepTarget'])->middleware(OnePress::class);
Route::delete('/swatches/targets/{target}', [ColourController::class, 'forgetTarget'])->whereNumber('target');
Route::get('/swatches/series', [SeriesController::class, 'show']);
Route::post('/swatches/series', [SeriesController::class, 'begin'])->middleware(OnePress::class);
Route::post('/swatches/series/first', [SeriesController::class, 'first'])->middleware(OnePress::class);
Route::get('/swatches/series/{series}', [SeriesController::class, 'run'])->whereNumber('series');
Route::post('/swatches/series/{series}/facts', [SeriesController::class, 'record'])->whereNumber('series');
Route::post('/swatches/series/{series}/label', [SeriesController::class, 'label'])->whereNumber('series')->middleware(OnePress::class);
Route::delete('/swatches/series/{series}', [SeriesController::class, 'destroy'])->whereNumber('series');
Route::post('/swatches/series/{series}/restore', [SeriesController::class, 'restore'])->whereNumber('series');
Route::get('/swatches/labels', [LabelController::class, 'show']);
Route::get('/swatches/drawer', [SwatchController::class, 'drawer']);
Route::post('/swatches', [SwatchController::class, 'store'])->middleware(OnePress::class);
Route::post('/swatches/{swatch}', [SwatchController::class, 'update'])->whereNumber('swatch');
Route::delete('/swatches/{swatch}', [SwatchController::class, 'destroy'])->whereNumber('swatch');
Route::post('/swatches/{swatch}/restore', [SwatchController::class, 'restore'])->whereNumber('swatch');
Route::post('/swatches/{swatch}/readings', [SwatchController::class, 'read'])->whereNumber('swatch')->middleware(OnePress::class);
Route::get('/swatches/{swatch}/photo', [SwatchController::class, 'photo'])->whereNumber('swatch');
Route::put('/swatches/readings/{reading}', [SwatchController::class, 'leaveOut'])->whereNumber('reading');
Route::get('/exchange/{what}', [ExchangeController::class, 'out']);
Route::post('/exchange', [ExchangeController::class, 'in']);
Route::post('/exchange/imports/{import}/undo', [ExchangeController::class, 'undo'])->whereNumber('import');
Route::post('/exchange/imports/{import}/stop', [ExchangeController::class, 'stop'])->whereNumber('import');

Route::get('/formulas', [FormulaController::class, 'index']);
Route::post('/formulas', [FormulaController::class, 'store'])->middleware(OnePress::class);
Route::get('/formulas/{formula}', [FormulaController::class, 'show'])->whereNumber('formula');
Route::put('/formulas/{formula}', [FormulaController::class, 'update'])->whereNumber('formula');
Route::post('/versions/{version}/pour', [FormulaController::class, 'pour'])->whereNumber('version')->middleware(OnePress::class);
Route::get('/versions/{version}/photo', [FormulaController::class, 'photo'])->whereNumber('version');
Route::post('/versions/{version}/photo', [FormulaController::class, 'addPhoto'])->whereNumber('version');

Route::get('/stores.{format}', [StoresController::class, 'out'])->whereIn('format', ['yaml', 'json']);
Route::post('/stores', [StoresController::class, 'in']);
Route::get('/stores/new/sheet', [StoresController::class, 'blank']);
Route::post('/stores/sheets', [StoresController::class, 'keep']);
Route::get('/stores/{code}/change', [StoresController::class, 'change'])->where('code', '[a-z0-9-]+');
Route::put('/stores/{code}/shelf', [StoresController::class, 'stock'])->where('code', '[a-z0-9-]+');
Route::get('/stores/{code?}', [StoresController::class, 'show'])->where('code', '[a-z0-9-]+');
Route::get('/log', [LogController::class, 'index']);
Route::get('/log.csv', [LogController::class, 'csv']);

Route::put('/workshop', [WorkshopController::class, 'update']);
Route::get('/workshop/schools', [WorkshopController::class, 'schools']);
Route::get('/backup', [TakingAlongController::class, 'show']);
Route::get('/everything.zip', [TakingAlongController::class, 'everything'])->middleware(FewAtOnce::class);
Route::post('/everything', [TakingAlongController::class, 'take'])->middleware(FewAtOnce::class);
Route::post('/backup', [TakingAlongController::class, 'backUp'])->middleware(FewAtOnce::class);
Route::post('/devices/scale/tare', [DeviceController::class, 'tare']);
Route::post('/devices/scale/take-over', [DeviceController::class, 'takeOver']);
Route::post('/devices/scale/accept', [DeviceController::class, 'accept']);
Route::post('/devices/scale/hand', [DeviceController::class, 'hand']);
Route::post('/devices/probe/hand', [DeviceController::class, 'stove']);
Route::post('/devices/labels/hand', [PrinterController::class, 'paper']);
Route::post('/labels', [PrinterController::class, 'print'])->middleware(OnePress::class);
Route::post('/labels/again', [PrinterController::class, 'again']);
Route::put('/labels/roll', [PrinterController::class, 'roll']);
Route::post('/labels/{label}', [PrinterController::class, 'anew'])->whereNumber('label');
Route::delete('/labels/{label}', [PrinterController::class, 'takeOff'])->whereNumber('label');

// What takes a moment to work out never keeps facts and the frame waiting.
Route::middleware(FewAtOnce::class)->group(static function (): void {
    Route::post('/pours/{pour}/sheet/ask', [PourController::class, 'ask']);
    Route::post('/day/try', [DayController::class, 'try']);
    Route::post('/day/gang', [DayController::class, 'gang']);
    Route::post('/mould', [MouldController::class, 'ask']);
    Route::post('/jobs/{job}/ways', [WaysController::class, 'ask']);
    Route::post('/cost', [CostController::class, 'ask']);
    Route::post('/pours/{pour}/causes', [KeptController::class, 'causes']);
    Route::post('/study/{model}/ask', [StudyController::class, 'question']);
    Route::get('/studies/{study}/stretch', [StudyController::class, 'stretch']);
    Route::post('/contacts/judge', [ContactController::class, 'judge']);
    Route::get('/swatches/hardness/formulas', [HardnessController::class, 'formulas']);
    Route::post('/swatches/hardness', [HardnessController::class, 'ask']);
    Route::post('/swatches/colour', [ColourController::class, 'ask']);
    Route::post('/swatches/series/plan', [SeriesController::class, 'plan']);
    Route::post('/formulas/reckon', [FormulaController::class, 'reckon']);
    Route::post('/formulas/paint', [FormulaController::class, 'paint']);
    Route::post('/contacts/rules/try', [ContactController::class, 'tryRule']);
    Route::post('/contacts/rules', [ContactController::class, 'keepRule']);
    Route::post('/contacts/import', [ContactController::class, 'import']);
    Route::get('/impressions/{impression}/contacts/{key}/ways', [ContactChoiceController::class, 'ways'])->where('key', '[a-z0-9-]+');
});

// Asked again and again while a page is open. A look changes no session, and must not use up what one page left for the next to say.
Route::middleware(LightSession::class)->withoutMiddleware([
    QuietSession::class, ShareErrorsFromSession::class, ValidateCsrfToken::class, HandleInertiaRequests::class,
])->group(static function (): void {
    Route::get('/up', UpController::class);
    Route::get('/away', [AwayController::class, 'pages']);
    Route::get('/worker.js', [AwayController::class, 'worker']);
    Route::get('/typed', [TypedController::class, 'show']);
    Route::put('/typed', [TypedController::class, 'update']);
    Route::delete('/typed', [TypedController::class, 'destroy']);
    Route::get('/find', FindController::class);
    Route::get('/point', PointController::class);
    Route::get('/exchange/imports/{import}', [ExchangeController::class, 'import'])->whereNumber('import');
    Route::get('/frame', [WorkshopController::class, 'show']);
    Route::get('/devices/lines', [DeviceController::class, 'lines']);
    Route::get('/devices/scale', [DeviceController::class, 'scale']);
    Route::post('/devices/scale/watch', [DeviceController::class, 'watch']);
    Route::get('/devices/probe', [DeviceController::class, 'probe']);
    Route::get('/glossary', GlossaryController::class);
    Route::get('/practice/bench', [PracticeController::class, 'bench']);
    Route::get('/labels', [PrinterController::class, 'show']);
    Route::get('/devices/labels/out', [PrinterController::class, 'out']);
    Route::post('/devices/thermometer', [DeviceController::class, 'thermometer']);
    Route::get('/day.ics', [DayController::class, 'calendar']);
    Route::get('/day/state', [DayController::class, 'state']);
    Route::get('/studies/{study}/state', [StudyController::class, 'state']);
    Route::get('/builds/{build}/ahead', [BuildController::class, 'ahead']);
    Route::get('/builds/{build}/state', [BuildController::class, 'state']);
    Route::get('/pours/{pour}/ahead', [RunController::class, 'ahead']);
    Route::get('/pours/{pour}/state', [RunController::class, 'state']);
    Route::get('/swatches/series/{series}/state', [SeriesController::class, 'state'])->whereNumber('series');
});
