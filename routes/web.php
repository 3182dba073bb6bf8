<?php

declare(strict_types=1);

use App\Http\Controllers\Account\AccountController;
use App\Http\Controllers\Account\PasswordController;
use App\Http\Controllers\Account\SignUpController;
use App\Http\Controllers\Bench\BenchController;
use App\Http\Controllers\Bench\BenchFileController;
use App\Http\Controllers\Bench\PiecesController;
use App\Http\Controllers\Bench\QuantitiesController;
use App\Http\Controllers\Bench\RunComparisonController;
use App\Http\Controllers\Bench\RunController;
use App\Http\Controllers\Bench\ScheduleController;
use App\Http\Controllers\Bench\TimerController;
use App\Http\Controllers\Brief\BalanceController;
use App\Http\Controllers\Brief\BriefController;
use App\Http\Controllers\Brief\FigureController;
use App\Http\Controllers\Compare\CompareController;
use App\Http\Controllers\Cups\CupController;
use App\Http\Controllers\Finish\ActController;
use App\Http\Controllers\Finish\CardController;
use App\Http\Controllers\Finish\FinishController;
use App\Http\Controllers\Finish\MixController;
use App\Http\Controllers\Finish\ProposalController;
use App\Http\Controllers\Finish\RecipesController;
use App\Http\Controllers\HealthController;
use App\Http\Controllers\Help\HowItWorksController;
use App\Http\Controllers\HomeController;
use App\Http\Controllers\IncomingController;
use App\Http\Controllers\Light\LightController;
use App\Http\Controllers\Light\LitAreasController;
use App\Http\Controllers\Light\MeshController;
use App\Http\Controllers\Light\UploadController;
use App\Http\Controllers\Order\BuildController;
use App\Http\Controllers\Order\OrderController;
use App\Http\Controllers\Order\OwnStepController;
use App\Http\Controllers\Practice\PracticeController;
use App\Http\Controllers\References\ColourAreaController;
use App\Http\Controllers\References\PictureController;
use App\Http\Controllers\References\ReferenceController;
use App\Http\Controllers\Shelf\ChipController;
use App\Http\Controllers\Shelf\PaintController;
use App\Http\Controllers\Shelf\PotController;
use App\Http\Controllers\Shelf\PotListController;
use App\Http\Controllers\Shelf\SheetController;
use App\Http\Controllers\Shelf\ShelfFileController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\TaskController;
use App\Http\Middleware\IdempotentRequests;
use Illuminate\Support\Facades\Route;

// A number of a record is a number, whatever the database would make of it.
Route::patterns(array_fill_keys(
    ['area', 'balance', 'boundary', 'chip', 'correction', 'cup', 'figure', 'joint', 'lesson', 'mesh', 'meshUpload', 'ownRule', 'ownStep', 'paint', 'part', 'photo', 'picture', 'practiceRound', 'run', 'setAside', 'sheet', 'shelfImport', 'step', 'task', 'timer', 'version'],
    '[1-9][0-9]{0,17}',
));

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
    Route::post('/sign-in', [SignInController::class, 'store'])->middleware('throttle:sign-in')->name('sign-in.store');
    Route::get('/sign-up', [SignUpController::class, 'show'])->name('sign-up');
    Route::post('/sign-up', [SignUpController::class, 'store'])->middleware('throttle:sign-in')->name('sign-up.store');
    Route::get('/forgot-password', [PasswordController::class, 'forgot'])->name('password.request');
    Route::post('/forgot-password', [PasswordController::class, 'send'])->middleware('throttle:sign-in')->name('password.email');
    Route::get('/reset-password/{token}', [PasswordController::class, 'show'])->name('password.reset');
    Route::post('/reset-password', [PasswordController::class, 'reset'])->middleware('throttle:sign-in')->name('password.update');
    Route::post('/sign-in/demo', [SignInController::class, 'demo'])->middleware('throttle:sign-in')->name('sign-in.demo');
});

// The second for monitors: it answers without sessions, also while the database does not.
Route::get('/farewell/{file}', [AccountController::class, 'farewell'])->where('file', '\w{40}\.zip')->name('farewell');

Route::get('/health', HealthController::class)->name('health');
Route::get('/health.json', HealthController::class)->withoutMiddleware('web')->name('health.json');

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'destroy'])->name('sign-out');
    Route::get('/account', [AccountController::class, 'show'])->name('account');
    Route::put('/account', [AccountController::class, 'update'])->name('account.update');
    Route::put('/account/settings', [AccountController::class, 'settings'])->name('account.settings');
    Route::put('/account/password', [AccountController::class, 'password'])->name('account.password');
    Route::post('/account/sign-out-elsewhere', [AccountController::class, 'signOutElsewhere'])->name('account.elsewhere');
    Route::post('/account/invitations', [AccountController::class, 'invite'])->name('account.invite');
    Route::delete('/account/set-aside/{setAside}', [AccountController::class, 'forget'])->middleware('can:own,setAside')->name('account.forget');
    Route::delete('/account', [AccountController::class, 'destroy'])->name('account.destroy');
    Route::get('/', HomeController::class)->name('home');

    Route::get('/shelf', [PaintController::class, 'index'])->name('shelf');
    Route::get('/shelf/reach', [PaintController::class, 'reach'])->name('shelf.reach');
    Route::get('/shelf/paints', [PaintController::class, 'list'])->name('paints.index');
    Route::post('/shelf/estimate', [PaintController::class, 'estimate'])->name('paints.estimate');
    Route::get('/shelf/file.{format}', [ShelfFileController::class, 'export'])->name('shelf.file');
    Route::post('/shelf/imports/preview', [ShelfFileController::class, 'preview'])->name('shelf-imports.preview');
    Route::post('/shelf/imports', [ShelfFileController::class, 'store'])->name('shelf-imports.store');
    Route::middleware('can:own,shelfImport')->group(function (): void {
        Route::get('/shelf/imports/{shelfImport}', [ShelfFileController::class, 'show'])->name('shelf-imports.show');
        Route::delete('/shelf/imports/{shelfImport}', [ShelfFileController::class, 'destroy'])->name('shelf-imports.destroy');
    });
    Route::post('/shelf/list/look', [PotListController::class, 'look'])->name('pot-list.look');
    Route::post('/shelf/list/caps', [PotListController::class, 'caps'])->name('pot-list.caps');
    Route::post('/shelf/borrowed', [PotListController::class, 'borrow'])->name('pot-list.borrow');
    Route::post('/shelf/list', [PotListController::class, 'store'])->name('pot-list.store');
    Route::post('/shelf/paints', [PaintController::class, 'store'])->name('paints.store');
    Route::middleware('can:own,paint')->group(function (): void {
        Route::get('/shelf/paints/{paint}', [PotController::class, 'show'])->name('pots.show');
        Route::post('/shelf/paints/{paint}/swatches/{swatch}/read', [PotController::class, 'read'])->name('pots.read');
        Route::post('/shelf/paints/{paint}/swatches/{swatch}/typed', [PotController::class, 'typed'])->name('pots.typed');
        Route::post('/shelf/paints/{paint}/swatches-file', [PotController::class, 'file'])->name('pots.file');
        Route::post('/shelf/paints/{paint}/swatches-photo', [PotController::class, 'photo'])->name('pots.photo');
        Route::get('/shelf/paints/{paint}/card-photo', [PotController::class, 'cardPhoto'])->name('pots.card-photo');
        Route::post('/shelf/paints/{paint}/measure', [PotController::class, 'measure'])->name('pots.measure');
        Route::patch('/shelf/paints/{paint}/facts', [PotController::class, 'facts'])->name('pots.facts');
        Route::patch('/shelf/paints/{paint}', [PaintController::class, 'update'])->name('paints.update');
        Route::delete('/shelf/paints/{paint}', [PaintController::class, 'destroy'])->name('paints.destroy');
        Route::post('/shelf/paints/{paint}/restore', [PaintController::class, 'restore'])->withTrashed()->name('paints.restore');
    });

    Route::get('/sheets', [SheetController::class, 'index'])->name('sheets');
    Route::post('/sheets', [SheetController::class, 'store'])->name('sheets.store');
    Route::prefix('/sheets/{sheet}')->middleware('can:own,sheet')->scopeBindings()->group(function (): void {
        Route::get('/', [SheetController::class, 'show'])->name('sheets.show');
        Route::patch('/', [SheetController::class, 'update'])->name('sheets.update');
        Route::delete('/', [SheetController::class, 'destroy'])->name('sheets.destroy');
        Route::get('/print.pdf', [SheetController::class, 'print'])->name('sheets.print');
        Route::get('/layout.json', [SheetController::class, 'layout'])->name('sheets.layout');
        Route::post('/photos', [SheetController::class, 'photo'])->name('sheets.photo');
        Route::post('/photos/simulated', [SheetController::class, 'simulated'])->name('sheets.simulated');
        Route::get('/photos/{photo}/flat.jpg', [SheetController::class, 'flat'])->name('sheets.flat');
        Route::delete('/photos/{photo}', [SheetController::class, 'forget'])->name('sheets.forget');
        Route::post('/photos/{photo}/keep', [SheetController::class, 'keep'])->name('sheets.keep');
    });

    Route::get('/chips', [ChipController::class, 'index'])->name('chips');
    Route::post('/chips', [ChipController::class, 'store'])->name('chips.store');
    Route::delete('/chips/{chip}', [ChipController::class, 'destroy'])->middleware('can:own,chip')->name('chips.destroy');

    Route::post('/timers', [TimerController::class, 'store'])->name('timers.store');
    Route::delete('/timers/{timer}', [TimerController::class, 'destroy'])->middleware('can:own,timer')->name('timers.destroy');

    Route::get('/bench.zip', [BenchFileController::class, 'export'])->name('bench-file');
    Route::post('/bench', [BenchFileController::class, 'import'])->name('bench-file.import');
    Route::get('/bench/import', [BenchFileController::class, 'last'])->name('bench-file.last');
    Route::post('/incoming/pictures', [IncomingController::class, 'picture'])->name('incoming.picture');
    Route::get('/recipes', [RecipesController::class, 'index'])->name('recipes');

    Route::get('/schedule', [ScheduleController::class, 'show'])->name('schedule');
    Route::put('/schedule/hours', [ScheduleController::class, 'hours'])->name('schedule.hours');
    Route::post('/schedule', [ScheduleController::class, 'plan'])->name('schedule.plan');
    Route::get('/schedule.ics', [ScheduleController::class, 'calendar'])->name('schedule.calendar');

    Route::get('/how-it-works', [HowItWorksController::class, 'show'])->name('how-it-works');
    Route::get('/practice', [PracticeController::class, 'show'])->name('practice');
    Route::post('/practice/rounds', [PracticeController::class, 'ask'])->name('practice.ask');
    Route::prefix('/practice/rounds/{practiceRound}')->middleware('can:own,practiceRound')->group(function (): void {
        Route::post('/cup', [PracticeController::class, 'cup'])->name('practice.cup');
        Route::put('/answer', [PracticeController::class, 'answer'])->name('practice.answer');
    });
    Route::get('/cups', [CupController::class, 'index'])->name('cups');
    Route::post('/cups', [CupController::class, 'store'])->name('cups.store');
    Route::prefix('/cups/{cup}')->middleware('can:own,cup')->group(function (): void {
        Route::get('/', [CupController::class, 'show'])->name('cups.show');
        Route::post('/entries', [CupController::class, 'act'])->name('cups.act');
        Route::patch('/entries/{key}', [CupController::class, 'undo'])->name('cups.undo');
        Route::post('/again', [CupController::class, 'again'])->name('cups.again');
        Route::get('/scale', [CupController::class, 'scale'])->name('cups.scale');
        Route::get('/steering', [CupController::class, 'steer'])->name('cups.steer');
        Route::delete('/', [CupController::class, 'destroy'])->name('cups.destroy');
        Route::post('/restore', [CupController::class, 'restore'])->name('cups.restore');
    });

    Route::put('/approaches', [OrderController::class, 'approaches'])->name('approaches.update');

    Route::post('/figures', [FigureController::class, 'store'])->name('figures.store');
    Route::prefix('/figures/{figure}')->middleware('can:own,figure')->scopeBindings()->group(function (): void {
        Route::patch('/', [FigureController::class, 'update'])->name('figures.update');
        Route::delete('/', [FigureController::class, 'destroy'])->name('figures.destroy');

        Route::put('/guide', [FigureController::class, 'guide'])->name('figures.guide');
        Route::get('/brief', [BriefController::class, 'show'])->name('figures.brief');
        Route::post('/parts', [BriefController::class, 'storePart'])->name('parts.store');
        Route::patch('/parts/{part}', [BriefController::class, 'updatePart'])->name('parts.update');
        Route::delete('/parts/{part}', [BriefController::class, 'destroyPart'])->name('parts.destroy');
        Route::post('/areas', [BriefController::class, 'storeArea'])->name('areas.store');
        Route::post('/areas/many', [BriefController::class, 'storeAreas'])->name('areas.store-many');
        Route::patch('/areas/{area}', [BriefController::class, 'updateArea'])->name('areas.update');
        Route::delete('/areas/{area}', [BriefController::class, 'destroyArea'])->name('areas.destroy');

        Route::get('/references', [ReferenceController::class, 'show'])->name('figures.references');
        Route::post('/pictures', [PictureController::class, 'store'])->name('pictures.store');
        Route::get('/pictures/{picture}/image', [PictureController::class, 'image'])->name('pictures.image');
        Route::patch('/pictures/{picture}', [PictureController::class, 'update'])->name('pictures.update');
        Route::delete('/pictures/{picture}', [PictureController::class, 'destroy'])->name('pictures.destroy');
        Route::put('/pictures/{picture}/neutral', [PictureController::class, 'neutralise'])->name('pictures.neutral');
        Route::delete('/pictures/{picture}/neutral', [PictureController::class, 'restore'])->name('pictures.restore');
        Route::get('/pictures/{picture}/palette', [PictureController::class, 'palette'])->name('pictures.palette');
        Route::get('/pictures/{picture}/areas', [ColourAreaController::class, 'show'])->name('pictures.areas');
        Route::post('/pictures/{picture}/areas', [ColourAreaController::class, 'store'])->name('pictures.take-areas');
        Route::post('/areas/{area}/samples', [ReferenceController::class, 'storeSample'])->name('samples.store');
        Route::post('/areas/{area}/samples/named', [ReferenceController::class, 'nameColour'])->name('samples.named');
        Route::delete('/areas/{area}/samples/{zone}', [ReferenceController::class, 'destroySample'])->name('samples.destroy');

        Route::get('/finishes/{area?}', [FinishController::class, 'show'])->name('figures.finishes');
        Route::post('/areas/{area}/section', [FinishController::class, 'section'])->name('finishes.section');
        Route::get('/areas/{area}/layers', [FinishController::class, 'layers'])->name('finishes.layers');
        Route::put('/areas/{area}/finish', [FinishController::class, 'update'])->name('finishes.update');
        Route::post('/acts', [ActController::class, 'layer'])->name('acts.layer');
        Route::post('/copies', [ActController::class, 'copy'])->name('acts.copy');
        Route::post('/areas/{area}/mixes', [MixController::class, 'find'])->name('mixes.find');
        Route::post('/areas/{area}/advice', [MixController::class, 'advise'])->name('finishes.advice');
        Route::post('/areas/{area}/mixes/proof', [MixController::class, 'prove'])->name('mixes.prove');

        Route::get('/proposals/{area?}', [ProposalController::class, 'show'])->name('figures.proposals');
        Route::post('/areas/{area}/proposals', [ProposalController::class, 'find'])->name('proposals.find');
        Route::get('/areas/{area}/one-more-pot', [ProposalController::class, 'oneMore'])->name('proposals.one-more');
        Route::post('/proposal-searches', [ProposalController::class, 'store'])->name('proposal-searches.store');

        Route::get('/balance', [BalanceController::class, 'show'])->name('figures.balance');
        Route::post('/balances', [BalanceController::class, 'store'])->name('balances.store');
        Route::delete('/balances/{balance}', [BalanceController::class, 'destroy'])->name('balances.destroy');

        Route::get('/light', [LightController::class, 'show'])->name('figures.light');
        Route::post('/mesh-uploads', [UploadController::class, 'store'])->name('uploads.store');
        Route::post('/mesh-uploads/{meshUpload}/pieces', [UploadController::class, 'piece'])->name('uploads.piece');
        Route::post('/mesh-uploads/{meshUpload}/again', [UploadController::class, 'again'])->name('uploads.again');
        Route::get('/mesh-uploads/{meshUpload}', [UploadController::class, 'show'])->name('uploads.show');
        Route::delete('/mesh-uploads/{meshUpload}', [UploadController::class, 'destroy'])->name('uploads.destroy');
        Route::patch('/meshes/{mesh}', [MeshController::class, 'update'])->name('meshes.update');
        Route::delete('/meshes/{mesh}', [MeshController::class, 'destroy'])->name('meshes.destroy');
        Route::put('/light', [LightController::class, 'settings'])->name('light.settings');
        Route::post('/light', [LightController::class, 'compute'])->name('light.compute');
        Route::get('/light/data', [LightController::class, 'data'])->name('light.data');
        Route::get('/light/areas', [LightController::class, 'areas'])->name('light.areas');
        Route::get('/light/glow/{area}', [LightController::class, 'glow'])->name('light.glow');
        Route::get('/light/glow/{area}/shares', [LightController::class, 'glowShares'])->name('light.glowShares');
        Route::post('/light/glow/{area}', [LightController::class, 'addGlow'])->name('light.addGlow');
        Route::post('/meshes/join', [MeshController::class, 'join'])->name('meshes.join');
        Route::post('/meshes/fit', [MeshController::class, 'fit'])->name('meshes.fit');
        Route::post('/meshes/undo', [MeshController::class, 'undo'])->name('meshes.undo');
        Route::post('/meshes/redo', [MeshController::class, 'redo'])->name('meshes.redo');
        Route::post('/meshes/{mesh}/mend', [MeshController::class, 'mend'])->name('meshes.mend');
        Route::post('/meshes/{mesh}/apart', [MeshController::class, 'pullApart'])->name('meshes.apart');
        Route::get('/meshes/{mesh}/bare', [MeshController::class, 'bare'])->name('meshes.bare');
        Route::post('/meshes/{mesh}/turn', [MeshController::class, 'turnAtJoint'])->name('meshes.turn');
        Route::post('/light/areas', [LitAreasController::class, 'assign'])->name('light.assign');
        Route::post('/light/areas/divide', [LitAreasController::class, 'divide'])->name('light.divide');
        Route::post('/light/areas/lasso', [LitAreasController::class, 'lasso'])->name('light.lasso');
        Route::post('/light/areas/grow', [LitAreasController::class, 'grow'])->name('light.grow');
        Route::post('/light/areas/mirror', [LitAreasController::class, 'mirror'])->name('light.mirror');
        Route::put('/light/areas/{area}/gradient', [LitAreasController::class, 'gradient'])->name('light.gradient');
        Route::post('/light/areas/propose', [LitAreasController::class, 'propose'])->name('light.propose');
        Route::post('/light/areas/undo', [LitAreasController::class, 'undo'])->name('light.undo');
        Route::post('/light/areas/redo', [LitAreasController::class, 'redo'])->name('light.redo');
        Route::post('/light/look', [LightController::class, 'look'])->name('light.look');
        Route::get('/light/figure.stl', [LightController::class, 'stl'])->name('light.stl');
        Route::get('/light/figure.ply', [LightController::class, 'ply'])->name('light.ply');
        Route::get('/light/shown', [LightController::class, 'shown'])->name('light.shown');
        Route::get('/light/still', [LightController::class, 'still'])->name('light.still');
        Route::post('/light/measure', [LightController::class, 'measure'])->name('light.measure');
        Route::post('/light/glow/{area}/cast', [LightController::class, 'castGlow'])->name('light.castGlow');
        Route::post('/light/measures', [LightController::class, 'measures'])->name('light.measures');

        Route::get('/order', [OrderController::class, 'show'])->name('figures.order');
        Route::post('/order/judge', [OrderController::class, 'judge'])->name('order.judge');
        Route::put('/order', [OrderController::class, 'update'])->name('order.update');
        Route::post('/order/give-up', [OrderController::class, 'giveUp'])->name('order.give-up');
        Route::post('/own-rules', [OrderController::class, 'storeRule'])->name('own-rules.store');
        Route::delete('/own-rules/{ownRule}', [OrderController::class, 'destroyRule'])->name('own-rules.destroy');
        Route::post('/own-steps', [OwnStepController::class, 'store'])->name('own-steps.store');
        Route::put('/own-steps/{ownStep}', [OwnStepController::class, 'update'])->name('own-steps.update');
        Route::delete('/own-steps/{ownStep}', [OwnStepController::class, 'destroy'])->name('own-steps.destroy');
        Route::post('/template', [BuildController::class, 'template'])->name('build.template');
        Route::patch('/build/parts/{part}', [BuildController::class, 'updatePart'])->name('build.part');
        Route::post('/build/parts/{part}/merge', [BuildController::class, 'mergePart'])->name('build.merge');
        Route::patch('/build/areas/{area}', [BuildController::class, 'updateArea'])->name('build.area');
        Route::post('/joints', [BuildController::class, 'storeJoint'])->name('joints.store');
        Route::delete('/joints/{joint}', [BuildController::class, 'destroyJoint'])->name('joints.destroy');
        Route::post('/boundaries', [BuildController::class, 'storeBoundary'])->name('boundaries.store');
        Route::delete('/boundaries/{boundary}', [BuildController::class, 'destroyBoundary'])->name('boundaries.destroy');

        Route::get('/compare/{picture?}', [CompareController::class, 'show'])->name('figures.compare');
        Route::get('/compare/{picture}/table.csv', [CompareController::class, 'csv'])->name('compare.csv');
        Route::post('/booth', [CompareController::class, 'photograph'])->name('booth.photograph');
        Route::post('/pictures/{picture}/findings', [CompareController::class, 'store'])->name('findings.store');
        Route::post('/pictures/{picture}/findings-from', [CompareController::class, 'storeAll'])->name('findings.store-all');
        Route::get('/areas/{area}/touch-up', [CompareController::class, 'touchUp'])->name('findings.touch-up');
        Route::post('/pictures/{picture}/lessons', [CompareController::class, 'learn'])->name('corrections.learn');
        Route::post('/pictures/{picture}/lessons/together', [CompareController::class, 'learnTogether'])->name('lessons.learn');

        Route::get('/card', [CardController::class, 'show'])->name('figures.card');
        Route::get('/card.pdf', [CardController::class, 'pdf'])->name('figures.card-pdf');

        Route::get('/bench', [BenchController::class, 'index'])->name('figures.bench');
        Route::post('/runs', [BenchController::class, 'store'])->name('runs.store');
        Route::get('/figure.zip', [BenchFileController::class, 'figure'])->name('figures.file');
        Route::get('/quantities', [QuantitiesController::class, 'show'])->name('figures.quantities');
        Route::get('/quantities.csv', [QuantitiesController::class, 'csv'])->name('figures.quantities-csv');
        Route::get('/shopping.pdf', [QuantitiesController::class, 'shopping'])->name('figures.shopping');
        Route::post('/versions/{version}/restore', [RunComparisonController::class, 'restore'])->name('versions.restore');
    });

    Route::prefix('/runs/{run}')->middleware('can:own,run')->scopeBindings()->group(function (): void {
        Route::get('/', [BenchController::class, 'show'])->name('runs.show');
        Route::post('/repeat', [BenchController::class, 'repeat'])->name('runs.repeat');
        Route::get('/beside', [RunComparisonController::class, 'show'])->name('runs.beside');
        Route::post('/adopt', [RunComparisonController::class, 'adopt'])->name('runs.adopt');
        Route::get('/pieces', [PiecesController::class, 'show'])->name('runs.pieces');
        Route::post('/pieces', [PiecesController::class, 'read'])->name('runs.read-piece');
        Route::middleware(IdempotentRequests::class)->group(function (): void {
            Route::post('/steps', [RunController::class, 'insertStep'])->name('run-steps.insert');
            Route::post('/changes', [RunController::class, 'follow'])->name('runs.follow');
            Route::patch('/steps/{step}', [RunController::class, 'updateStep'])->name('run-steps.update');
            Route::post('/steps/{step}/photos', [RunController::class, 'photograph'])->name('run-steps.photograph');
        });
    });

    Route::delete('/lessons/{lesson}', [CompareController::class, 'undoLesson'])->middleware('can:own,lesson')->name('lessons.undo');
    Route::patch('/corrections/{correction}', [CompareController::class, 'take'])->middleware('can:own,correction')->name('corrections.take');

    Route::prefix('/tasks/{task}')->middleware('can:own,task')->group(function (): void {
        Route::get('/', [TaskController::class, 'show'])->name('tasks.show');
        Route::delete('/', [TaskController::class, 'stop'])->name('tasks.stop');
        Route::post('/both', [BenchFileController::class, 'both'])->name('bench-file.both');
    });
});
