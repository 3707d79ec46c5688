<?php

declare(strict_types=1);

use App\Accounts\AccountController;
use App\Accounts\LinkController;
use App\Accounts\PeopleController;
use App\Accounts\PrivateAddress;
use App\Audit\AuditController;
use App\Calendar\CalendarAddress;
use App\Calendar\CalendarController;
use App\Clients\ClientController;
use App\Clients\ClientTableController;
use App\Clients\ScreenController;
use App\Copies\CopyController;
use App\Copies\ReadInController;
use App\Home\HomeAddress;
use App\Home\HomeController;
use App\Http\Middleware\InPieces;
use App\Http\Middleware\Known;
use App\Http\Middleware\Recorded;
use App\Http\Middleware\StudioWriting;
use App\Library\LadderController;
use App\Library\LibraryController;
use App\Library\RungController;
use App\Library\StyleController;
use App\Line\CameraController;
use App\Line\LineController;
use App\Planning\BoardController;
use App\Planning\ProgramController;
use App\Planning\ReadyController;
use App\Planning\SessionController;
use App\Planning\SeveralController;
use App\Planning\TemplateController;
use App\Progress\CuffController;
use App\Progress\EvennessController;
use App\Progress\ProgressController;
use App\Progress\TestDayController;
use App\Referral\ReferralController;
use App\Sheets\SheetController;
use App\Support\HappenedController;
use App\Today\DoorController;
use App\Today\GroupController;
use App\Today\LogController;
use Illuminate\Support\Facades\Route;

// rows of the database and places in a program are numbers: anything else is no address
foreach (['aim', 'change', 'choice', 'clearance', 'line', 'session', 'template', 'week'] as $number) {
    Route::pattern($number, '[0-9]{1,18}');
}

// without a session: a calendar program keeps none
Route::get('calendar/{token}.ics', [CalendarController::class, 'feed'])
    ->middleware(['throttle:60,1,calendar', CalendarAddress::class, StudioWriting::class])
    ->where('token', PrivateAddress::PATTERN);
Route::get('own/{token}', [HomeController::class, 'page'])
    ->middleware(['throttle:30,1,own', HomeAddress::class, StudioWriting::class])
    ->where('token', PrivateAddress::PATTERN);

Route::get('api/health', [LibraryController::class, 'health']);

Route::middleware('web')->group(function (): void {
    Route::prefix('api')->group(function (): void {
        Route::post('sign-in', [AccountController::class, 'signIn']);
        Route::post('own/returns', [HomeController::class, 'bringBack'])->middleware('throttle:20,1,returns');
        Route::post('links/look', [LinkController::class, 'look']);
        Route::post('links/set-up', [LinkController::class, 'setUp']);
        Route::post('links/join', [LinkController::class, 'join']);
        Route::post('links/password', [LinkController::class, 'password']);

        Route::middleware(['auth', 'may:reader', InPieces::class, StudioWriting::class, Recorded::class])->group(function (): void {
            Route::get('me', [AccountController::class, 'me']);
            Route::post('me/doses', [AccountController::class, 'doses']);
            Route::post('sign-out', [AccountController::class, 'signOut']);
            Route::post('sign-out-everywhere', [AccountController::class, 'signOutEverywhere']);
            Route::post('password', [AccountController::class, 'changePassword']);
            Route::post('second-factor', [AccountController::class, 'beginSecondFactor']);
            Route::post('second-factor/confirm', [AccountController::class, 'confirmSecondFactor']);
            Route::post('second-factor/end', [AccountController::class, 'endSecondFactor']);

            Route::get('library', [LibraryController::class, 'library'])->middleware(Known::class.':'.Known::TABLES);
            Route::get('clients', [ClientController::class, 'index'])->middleware(Known::class);
            Route::post('sheets', [SheetController::class, 'pile']);
            Route::prefix('clients/{client}')->group(function (): void {
                Route::get('', [ClientController::class, 'show'])->middleware(Known::class);
                Route::get('board', [BoardController::class, 'show'])->middleware(Known::class);
                Route::get('screen', [ScreenController::class, 'show'])->middleware(Known::class);
                Route::get('sheet', [SheetController::class, 'show'])->middleware(Known::class);
                Route::get('sheet.html', [SheetController::class, 'html']);
                Route::get('sheet.pdf', [SheetController::class, 'pdf']);
                Route::get('evenness', [EvennessController::class, 'show'])->middleware(Known::class);
                Route::get('progress', [ProgressController::class, 'show'])->middleware(Known::class);
                Route::get('logs', [LogController::class, 'show'])->middleware(Known::class);
                Route::get('happened', [HappenedController::class, 'ofClient']);
                Route::post('clearances', [ScreenController::class, 'clear']);
            });
        });

        Route::middleware(['auth', 'may:owner', InPieces::class, StudioWriting::class, Recorded::class])->group(function (): void {
            Route::post('emergency', [AccountController::class, 'emergency']);
            Route::post('bands', [AccountController::class, 'bands']);
            Route::post('kit', [AccountController::class, 'kit']);
            Route::post('studio', [AccountController::class, 'settings']);
            Route::get('happened', [HappenedController::class, 'ofStudio']);
            Route::get('happened.csv', [HappenedController::class, 'exportOfStudio']);
            Route::get('people', [PeopleController::class, 'index']);
            Route::post('people/invitations', [PeopleController::class, 'invite']);
            Route::post('people/invitations/{link}/revoke', [PeopleController::class, 'revoke']);
            Route::post('people/{person}/role', [PeopleController::class, 'role']);
            Route::post('people/{person}/disable', [PeopleController::class, 'disable']);
            Route::post('people/{person}/enable', [PeopleController::class, 'enable']);
            Route::post('people/{person}/password', [PeopleController::class, 'password']);
            Route::get('take-out', [CopyController::class, 'studio']);
            Route::post('clients/{client}/erase', [CopyController::class, 'erase']);
            Route::get('clients/{client}/trainers', [PeopleController::class, 'trainersOf']);
            Route::post('clients/{client}/trainers', [PeopleController::class, 'assign']);
        });

        Route::middleware(['auth', 'may:trainer', InPieces::class, StudioWriting::class, Recorded::class])->group(function (): void {
            Route::get('rungs', [RungController::class, 'search'])->middleware(Known::class);
            Route::get('rungs/{rung}', [RungController::class, 'show'])->middleware(Known::class);
            Route::get('rungs/{rung}/draft', [RungController::class, 'draft']);
            Route::get('figures', [RungController::class, 'figures'])->middleware(Known::class.':'.Known::TABLES);
            Route::get('logs.zip', [LogController::class, 'exportAll']);
            Route::get('calendar', [CalendarController::class, 'ofStudio']);
            Route::get('calendar.ics', [CalendarController::class, 'studio']);
            Route::post('calendar/links', [CalendarController::class, 'subscribeToStudio']);
            Route::post('calendar/links/{link}/withdraw', [CalendarController::class, 'withdraw']);
            Route::post('figures', [RungController::class, 'draw']);
            Route::post('figures/drag', [RungController::class, 'drag']);
            Route::get('styles', [StyleController::class, 'index'])->middleware(Known::class);
            Route::post('styles', [StyleController::class, 'save']);
            Route::post('styles/{style}/remove', [StyleController::class, 'remove']);
            Route::post('audit', [AuditController::class, 'read']);
            Route::post('audit/fix', [AuditController::class, 'fix']);
            Route::post('audit/mend-all', [AuditController::class, 'mendAll']);
            Route::post('audit/file', [AuditController::class, 'file']);
            Route::post('audit/fit', [AuditController::class, 'fit']);
            Route::post('sessions/preview', [SessionController::class, 'preview']);
            Route::get('ready', [ReadyController::class, 'all'])->middleware(Known::class);
            Route::get('ready/{ready}', [ReadyController::class, 'filled'])->middleware(Known::class);
            Route::get('templates', [TemplateController::class, 'templates'])->middleware(Known::class);
            Route::post('templates', [TemplateController::class, 'keepTemplate']);
            Route::post('templates/{template}/remove', [TemplateController::class, 'removeTemplate']);
            Route::post('incidents', [HappenedController::class, 'incident']);
            Route::post('notes', [HappenedController::class, 'note']);
            Route::post('group', [GroupController::class, 'plan']);
            Route::post('group/floor', [GroupController::class, 'floor']);
            Route::post('group/file', [GroupController::class, 'file']);
            Route::post('group/cards', [SheetController::class, 'stations']);
            Route::get('cuff', [CuffController::class, 'show']);
            Route::post('cuff', [CuffController::class, 'play']);
            Route::get('camera', [CameraController::class, 'show']);
            Route::post('camera', [CameraController::class, 'play']);
            Route::get('camera/frame', [CameraController::class, 'frame']);
            Route::post('lines/judge', [LineController::class, 'judge']);
            Route::post('lines/range', [LineController::class, 'range']);
            Route::post('lines/watch', [LineController::class, 'watch']);
            Route::get('poses', [RungController::class, 'poses'])->middleware(Known::class.':'.Known::TABLES);
            Route::get('ladders', [LadderController::class, 'index'])->middleware(Known::class);
            Route::post('ladders', [LadderController::class, 'save']);
            Route::post('ladders/check', [LadderController::class, 'check']);
            Route::post('ladders/import/check', [LadderController::class, 'checkImport']);
            Route::post('ladders/import', [LadderController::class, 'import']);
            Route::get('ladders/{ladder}', [LadderController::class, 'show'])->middleware(Known::class);
            Route::get('ladders/{ladder}/copy', [LadderController::class, 'copy']);
            Route::get('ladders/{ladder}/export', [LadderController::class, 'export']);
            Route::get('ladders/{ladder}/removal', [LadderController::class, 'checkRemove']);
            Route::post('ladders/{ladder}/remove', [LadderController::class, 'remove']);
            Route::post('ladders/{ladder}/undo', [LadderController::class, 'undo']);
            Route::post('ladders/{ladder}/use', [LadderController::class, 'use']);
            Route::get('words', [LadderController::class, 'words'])->middleware(Known::class);
            Route::post('words', [LadderController::class, 'addWord']);
            Route::post('words/{word}/remove', [LadderController::class, 'removeWord']);
            Route::get('schemas/{name}', [LibraryController::class, 'schema']);

            Route::post('clients', [ClientController::class, 'store']);
            Route::post('clients/table/check', [ClientTableController::class, 'check']);
            Route::post('clients/table', [ClientTableController::class, 'enter']);
            Route::post('read-in/check', [CopyController::class, 'checkReadIn']);
            Route::post('read-in', [CopyController::class, 'readIn']);
            Route::get('read-ins', [ReadInController::class, 'index']);
            Route::post('read-ins/{change}/undo', [ReadInController::class, 'undo']);
            Route::post('programs/table/check', [SeveralController::class, 'check']);
            Route::post('programs/table', [SeveralController::class, 'take']);
            Route::get('archive', [ClientController::class, 'archived'])->middleware(Known::class);

            Route::prefix('clients/{client}')->group(function (): void {
                Route::put('', [ClientController::class, 'update']);
                Route::get('take-out', [CopyController::class, 'client']);
                Route::get('document', [ClientController::class, 'whole']);
                Route::post('archive', [ClientController::class, 'archive']);
                Route::post('restore', [ClientController::class, 'restore']);
                Route::post('moves', [BoardController::class, 'move']);
                Route::post('doses', [BoardController::class, 'dose']);
                Route::post('swaps', [BoardController::class, 'swap']);
                Route::get('swaps/{rung}', [BoardController::class, 'swaps'])->middleware(Known::class);
                Route::get('minutes/{rung}', [BoardController::class, 'minutes'])->middleware(Known::class);
                Route::post('evenness', [EvennessController::class, 'take']);
                Route::post('evenness/{choice}/end', [EvennessController::class, 'letGo']);
                Route::post('own-aims', [EvennessController::class, 'addAim']);
                Route::post('own-aims/{aim}', [EvennessController::class, 'changeAim']);
                Route::get('tests', [TestDayController::class, 'show'])->middleware(Known::class);
                Route::post('tests', [TestDayController::class, 'store']);
                Route::get('lines', [LineController::class, 'show'])->middleware(Known::class);
                Route::post('lines', [LineController::class, 'keep']);
                Route::post('lines/consent', [LineController::class, 'allow']);
                Route::post('lines/consent/withdraw', [LineController::class, 'withdraw']);
                Route::post('lines/{line}/remove', [LineController::class, 'remove']);
                Route::get('lines/{line}/picture', [LineController::class, 'picture']);
                Route::get('audit', [AuditController::class, 'ofClient'])->middleware(Known::class);
                Route::get('sessions/{week}/{session}', [SessionController::class, 'show'])->middleware(Known::class);
                Route::post('door/floor', [DoorController::class, 'floor']);
                Route::post('door/file', [DoorController::class, 'file']);
                Route::post('door/check', [DoorController::class, 'check']);
                Route::get('floor/{week}/{session}', [SessionController::class, 'floor']);
                Route::post('sessions', [SessionController::class, 'save']);
                Route::post('sessions/let-go', [SessionController::class, 'letGo']);
                Route::post('sessions/remove', [SessionController::class, 'remove']);
                Route::post('sessions/move', [SessionController::class, 'move']);
                Route::post('sessions/move/check', [SessionController::class, 'checkMove']);
                Route::post('sessions/missed', [SessionController::class, 'miss']);
                Route::post('sessions/missed/check', [SessionController::class, 'checkMissed']);
                Route::post('dates', [SessionController::class, 'dates']);
                Route::post('mend', [SessionController::class, 'mend']);
                Route::get('mend-all', [SessionController::class, 'checkMendAll']);
                Route::post('mend-all', [SessionController::class, 'mendAll']);
                Route::post('best-week', [ProgramController::class, 'bestWeek']);
                Route::post('programs/take', [SessionController::class, 'take']);
                Route::post('logs', [LogController::class, 'add']);
                Route::get('logs.csv', [LogController::class, 'export']);
                Route::post('logs/import', [LogController::class, 'import']);
                Route::put('logs/run/{key}', [LogController::class, 'run'])->where('key', '[A-Za-z0-9][A-Za-z0-9_-]{7,63}');
                Route::delete('logs/run/{key}', [LogController::class, 'throwAway'])->where('key', '[A-Za-z0-9][A-Za-z0-9_-]{7,63}');
                Route::get('logs/{session}', [LogController::class, 'one'])->middleware(Known::class);
                Route::post('logs/{session}', [LogController::class, 'edit']);
                Route::post('removed-logs/{change}/restore', [LogController::class, 'restore']);
                Route::post('logs/{session}/remove', [LogController::class, 'remove']);
                Route::post('verdicts', [LogController::class, 'answer']);
                Route::get('happened.csv', [HappenedController::class, 'exportOfClient']);
                Route::get('programs', [ProgramController::class, 'index'])->middleware(Known::class);
                Route::post('programs', [ProgramController::class, 'begin']);
                Route::get('programs/{program}', [ProgramController::class, 'show'])->middleware(Known::class);
                Route::post('programs/{program}/name', [ProgramController::class, 'name']);
                Route::post('programs/{program}/open', [ProgramController::class, 'open']);
                Route::get('programs/{program}/weeks/{week}', [ProgramController::class, 'week'])->middleware(Known::class);
                Route::get('programs/{program}/file.json', [ProgramController::class, 'json']);
                Route::get('programs/{program}/file.csv', [ProgramController::class, 'csv']);
                Route::post('copy', [ProgramController::class, 'copy']);
                Route::get('summary.html', [ReferralController::class, 'html']);
                Route::get('summary.pdf', [ReferralController::class, 'pdf']);
                Route::post('fhir/check', [ReadInController::class, 'checkFhir']);
                Route::post('fhir', [ReadInController::class, 'fhir']);
                Route::get('fhir.json', [ReferralController::class, 'fhir']);
                Route::get('calendar', [CalendarController::class, 'show']);
                Route::get('calendar.ics', [CalendarController::class, 'client']);
                Route::post('calendar/times', [CalendarController::class, 'times']);
                Route::post('calendar/links', [CalendarController::class, 'subscribe']);
                Route::get('own-pages', [HomeController::class, 'show']);
                Route::post('own-pages', [HomeController::class, 'hand']);
                Route::get('own-pages/{page}/file.html', [HomeController::class, 'file']);
                Route::post('own-pages/{page}/withdraw', [HomeController::class, 'withdraw']);
                Route::post('own-pages/returns', [HomeController::class, 'readBack']);
                Route::post('copy/check', [ProgramController::class, 'checkCopy']);
                Route::post('screen', [ScreenController::class, 'ask']);
                Route::post('clearances/{clearance}/withdraw', [ScreenController::class, 'withdraw']);
                Route::get('road/{rung}', [BoardController::class, 'road'])->middleware(Known::class);
                Route::get('why-not/{rung}', [BoardController::class, 'whyNot'])->middleware(Known::class);
                Route::post('aims', [BoardController::class, 'aim']);
                Route::post('ladders', [BoardController::class, 'useLadders']);
                Route::post('style', [BoardController::class, 'follow']);
                Route::post('what-if', [BoardController::class, 'whatIf']);
                Route::post('what-if/file', [BoardController::class, 'whatIfFile']);
                Route::post('two-styles', [BoardController::class, 'twoStyles']);
                Route::get('plan', [BoardController::class, 'planPreview']);
                Route::post('plan', [BoardController::class, 'plan']);
                Route::post('plan/keep', [BoardController::class, 'keepPlan']);
                Route::post('undo', [BoardController::class, 'undo']);
                Route::post('redo', [BoardController::class, 'redo']);
            });
        });
        Route::any('{any}', [LibraryController::class, 'nothing'])->where('any', '.*');
    });
});

Route::view('{any}', 'app')->where('any', '.*');
