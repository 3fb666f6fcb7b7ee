<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\ActController;
use App\Http\Controllers\AgreementController;
use App\Http\Controllers\AssembleController;
use App\Http\Controllers\AssessmentController;
use App\Http\Controllers\AssessmentRevisionController;
use App\Http\Controllers\AssessmentStateController;
use App\Http\Controllers\AssumptionController;
use App\Http\Controllers\AutosaveController;
use App\Http\Controllers\BankController;
use App\Http\Controllers\BankQuestionController;
use App\Http\Controllers\BlueprintController;
use App\Http\Controllers\CaptionsController;
use App\Http\Controllers\CarryController;
use App\Http\Controllers\CompareController;
use App\Http\Controllers\ConvertController;
use App\Http\Controllers\CopyController;
use App\Http\Controllers\CorrectionController;
use App\Http\Controllers\CoverageController;
use App\Http\Controllers\DeskController;
use App\Http\Controllers\DispatchController;
use App\Http\Controllers\DocumentController;
use App\Http\Controllers\EditMergeController;
use App\Http\Controllers\EntryController;
use App\Http\Controllers\FolderController;
use App\Http\Controllers\FormController;
use App\Http\Controllers\FrameworkController;
use App\Http\Controllers\GrantController;
use App\Http\Controllers\GraphController;
use App\Http\Controllers\IntakeController;
use App\Http\Controllers\LinesController;
use App\Http\Controllers\MeController;
use App\Http\Controllers\MediaController;
use App\Http\Controllers\MigrationController;
use App\Http\Controllers\NotificationController;
use App\Http\Controllers\PartsController;
use App\Http\Controllers\PasswordLinkController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PlaceController;
use App\Http\Controllers\PresentController;
use App\Http\Controllers\PrintController;
use App\Http\Controllers\PrintReceiptController;
use App\Http\Controllers\PrintTemplateController;
use App\Http\Controllers\QuestionController;
use App\Http\Controllers\QuestionMediumController;
use App\Http\Controllers\RecordController;
use App\Http\Controllers\RegroupController;
use App\Http\Controllers\RevisionController;
use App\Http\Controllers\RubricCellsController;
use App\Http\Controllers\RubricCheckController;
use App\Http\Controllers\RubricController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\SavedSearchController;
use App\Http\Controllers\ScoreController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SecurityLogController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SpecimenController;
use App\Http\Controllers\StagedController;
use App\Http\Controllers\StandInController;
use App\Http\Controllers\StartController;
use App\Http\Controllers\StatementController;
use App\Http\Controllers\StimulusController;
use App\Http\Controllers\StimulusRevisionController;
use App\Http\Controllers\StudyController;
use App\Http\Controllers\TableController;
use App\Http\Controllers\TaggingController;
use App\Http\Controllers\TeamController;
use App\Http\Controllers\ThumbnailController;
use App\Http\Controllers\TokenController;
use App\Http\Controllers\TransferController;
use App\Http\Controllers\TrayController;
use App\Http\Controllers\UnderstoodController;
use App\Http\Controllers\UploadController;
use App\Http\Controllers\ValuesController;
use App\Http\Controllers\WorkController;
use App\Http\Middleware\Administrator;
use App\Http\Middleware\HeavyWork;
use App\Http\Middleware\Idempotent;
use App\Http\Middleware\LiveSession;
use App\Http\Middleware\StopOvertaken;
use Illuminate\Support\Facades\Route;

Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
Route::post('password-links', [PasswordLinkController::class, 'store'])->middleware('throttle:sign-in');
Route::put('password-links', [PasswordLinkController::class, 'update'])->middleware('throttle:sign-in');
Route::middleware(['auth:sanctum', LiveSession::class])->group(function (): void {
    Route::put('me/password', [AccountController::class, 'password'])->middleware('throttle:sign-in');
    Route::get('me/sessions', [AccountController::class, 'sessions']);
    Route::delete('me/sessions', [AccountController::class, 'endSessions']);
    Route::post('me/second-factor', [SecondFactorController::class, 'store'])->middleware('throttle:sign-in');
    Route::put('me/second-factor', [SecondFactorController::class, 'update'])->middleware('throttle:sign-in');
    Route::delete('me/second-factor', [SecondFactorController::class, 'destroy'])->middleware('throttle:sign-in');
    Route::get('me/tokens', [TokenController::class, 'index']);
    Route::post('me/tokens', [TokenController::class, 'store'])->middleware('throttle:sign-in');
    Route::delete('me/tokens/{token}', [TokenController::class, 'destroy'])->where('token', '[0-9]{1,17}');
    Route::get('me/notifications', [NotificationController::class, 'index']);
    Route::put('me/notifications', [NotificationController::class, 'read']);
    Route::get('work', [WorkController::class, 'index']);
    Route::post('work/{kind}/{id}/retry', [WorkController::class, 'retry'])
        ->where('kind', 'intake|dispatch|act|specimens')
        ->whereUuid('id');
    Route::middleware(Administrator::class)
        ->prefix('admin')
        ->group(function (): void {
            Route::get('people', [PeopleController::class, 'index']);
            Route::post('people', [PeopleController::class, 'store'])->middleware(Idempotent::class);
            Route::patch('people/{person}', [PeopleController::class, 'update'])->whereUuid('person');
            Route::post('people/{person}/hand-over', [PeopleController::class, 'handOver'])->whereUuid('person');
            Route::get('teams', [TeamController::class, 'index']);
            Route::post('teams', [TeamController::class, 'store'])->middleware(Idempotent::class);
            Route::patch('teams/{team}', [TeamController::class, 'update'])->whereUuid('team');
            Route::delete('teams/{team}', [TeamController::class, 'destroy'])->whereUuid('team');
            Route::get('security-log', [SecurityLogController::class, 'index']);
        });
    Route::delete('session', [SessionController::class, 'destroy']);
    Route::get('me', [MeController::class, 'show']);
    Route::put('me/details', [MeController::class, 'details']);
    Route::get('desk', DeskController::class);
    Route::get('banks', [BankController::class, 'index']);
    Route::post('banks', [BankController::class, 'store'])->middleware(Idempotent::class);
    Route::patch('banks/{bank:slug}', [BankController::class, 'update']);
    Route::get('people', [GrantController::class, 'people']);
    Route::get('banks/{bank:slug}/grants', [GrantController::class, 'index']);
    Route::put('banks/{bank:slug}/grants', [GrantController::class, 'update']);
    Route::get('banks/{bank:slug}/trees', [PlaceController::class, 'trees']);
    Route::middleware(StopOvertaken::class)->group(function (): void {
        Route::get('banks/{bank:slug}/questions', [BankQuestionController::class, 'index']);
        Route::get('banks/{bank:slug}/count', [BankQuestionController::class, 'count']);
        Route::get('banks/{bank:slug}/facets', [PlaceController::class, 'facets']);
        Route::get('questions', [BankQuestionController::class, 'everywhere']);
        Route::get('count', [BankQuestionController::class, 'countEverywhere']);
        Route::get('facets', [PlaceController::class, 'everywhere']);
    });
    Route::post('banks/{bank:slug}/carry', [CarryController::class, 'store']);
    Route::post('banks/{bank:slug}/carry/preview', [CarryController::class, 'preview']);
    Route::post('banks/{bank:slug}/acts', [ActController::class, 'store']);
    Route::get('banks/{bank:slug}/acts', [ActController::class, 'index']);
    Route::post('banks/{bank:slug}/acts/preview', [ActController::class, 'preview']);
    Route::post('banks/{bank:slug}/acts/places', [ActController::class, 'places']);
    Route::get('acts/{act}', [ActController::class, 'show'])->whereUuid('act');
    Route::get('acts/{act}/changes', [ActController::class, 'changes'])->whereUuid('act');
    Route::delete('acts/{act}', [ActController::class, 'stop'])->whereUuid('act');
    Route::post('acts/{act}/resume', [ActController::class, 'resume'])->whereUuid('act');
    Route::post('acts/{act}/undo', [ActController::class, 'undo'])->whereUuid('act');
    Route::post('banks/{bank:slug}/copies', [CopyController::class, 'store']);
    Route::post('banks/{bank:slug}/compare', [CompareController::class, 'store'])->middleware(['throttle:try', HeavyWork::class]);
    Route::post('banks/{bank:slug}/regroup', [RegroupController::class, 'store'])->middleware('throttle:try');
    Route::post('banks/{bank:slug}/regroup/preview', [RegroupController::class, 'preview'])->middleware(['throttle:try', HeavyWork::class]);
    Route::post('banks/{bank:slug}/compare/take', [CompareController::class, 'take'])->middleware('throttle:try');
    Route::post('banks/{bank:slug}/copy', [CopyController::class, 'bank'])->middleware(Idempotent::class);
    Route::get('banks/{bank:slug}/tags', [PlaceController::class, 'tags']);
    Route::put('banks/{bank:slug}/folders/{node}/order', [FolderController::class, 'order'])->whereUuid('node');
    Route::post('banks/{bank:slug}/{tree}/outline', [FolderController::class, 'outline'])->whereIn('tree', ['folders', 'topics']);
    Route::post('banks/{bank:slug}/{tree}/{node}/merge', [FolderController::class, 'merge'])
        ->whereIn('tree', ['folders', 'topics'])
        ->whereUuid('node');
    Route::get('banks/{bank:slug}/{tree}/{node}/uses', [FolderController::class, 'uses'])
        ->whereIn('tree', ['folders', 'topics'])
        ->whereUuid('node');
    Route::post('banks/{bank:slug}/{tree}', [FolderController::class, 'store'])->whereIn('tree', ['folders', 'topics']);
    Route::patch('banks/{bank:slug}/{tree}/{node}', [FolderController::class, 'update'])
        ->whereIn('tree', ['folders', 'topics'])
        ->whereUuid('node');
    Route::delete('banks/{bank:slug}/{tree}/{node}', [FolderController::class, 'destroy'])
        ->whereIn('tree', ['folders', 'topics'])
        ->whereUuid('node');
    Route::get('banks/{bank:slug}', [BankController::class, 'show']);
    Route::post('banks/{bank:slug}/questions', [BankQuestionController::class, 'store'])->middleware(Idempotent::class);
    Route::get('questions/{question}', [QuestionController::class, 'show'])->whereUuid('question');
    Route::get('questions/{question}/media/{medium}', [QuestionMediumController::class, 'show'])->whereUuid('question');
    Route::get('questions/{question}/thumbnail', ThumbnailController::class)->whereUuid('question');
    Route::get('questions/{question}/changes', [QuestionController::class, 'changes'])->whereUuid('question');
    Route::get('questions/{question}/revisions', [RevisionController::class, 'index'])->whereUuid('question');
    Route::get('questions/{question}/revisions/{number}', [RevisionController::class, 'show'])
        ->whereUuid('question')
        ->where('number', '[0-9]{1,9}');
    Route::get('questions/{question}/followers', [QuestionController::class, 'followers'])->whereUuid('question');
    Route::post('questions/{question}/keep', [QuestionController::class, 'keep'])->whereUuid('question');
    Route::put('questions/{question}', [QuestionController::class, 'update'])->whereUuid('question');
    Route::post('banks/{bank:slug}/specimen-runs', [SpecimenController::class, 'start']);
    Route::get('banks/{bank:slug}/specimen-runs', [SpecimenController::class, 'latest']);
    Route::delete('specimen-runs/{run}', [SpecimenController::class, 'stop'])->whereUuid('run');
    Route::get('banks/{bank:slug}/searches', [SavedSearchController::class, 'index']);
    Route::post('banks/{bank:slug}/searches', [SavedSearchController::class, 'store']);
    Route::delete('searches/{search}', [SavedSearchController::class, 'destroy'])->whereUuid('search');
    Route::get('starts', [StartController::class, 'index']);
    Route::post('starts', [StartController::class, 'store']);
    Route::delete('starts/{start}', [StartController::class, 'destroy'])->whereUuid('start');
    Route::get('rubrics', [RubricController::class, 'all']);
    Route::get('banks/{bank:slug}/rubrics', [RubricController::class, 'index']);
    Route::post('banks/{bank:slug}/rubrics', [RubricController::class, 'store'])->middleware(Idempotent::class);
    Route::get('rubrics/{rubric}', [RubricController::class, 'show'])->whereUuid('rubric');
    Route::put('rubrics/{rubric}', [RubricController::class, 'update'])->whereUuid('rubric');
    Route::delete('rubrics/{rubric}', [RubricController::class, 'destroy'])->whereUuid('rubric');
    Route::middleware(StopOvertaken::class)->group(function (): void {
        Route::get('coverage', [CoverageController::class, 'show']);
        Route::get('coverage/node', [CoverageController::class, 'node']);
    });
    Route::get('coverage/table', [CoverageController::class, 'csv']);
    Route::post('banks/{bank:slug}/tagging', [TaggingController::class, 'next']);
    Route::get('questions/{question}/proposals', [TaggingController::class, 'proposals'])->whereUuid('question');
    Route::get('statements', [StatementController::class, 'find']);
    Route::get('frameworks', [FrameworkController::class, 'index']);
    Route::post('frameworks', [FrameworkController::class, 'store'])->middleware('throttle:give');
    Route::prefix('frameworks/{framework}')
        ->whereUuid(['framework', 'statement'])
        ->group(function (): void {
            Route::get('', [FrameworkController::class, 'show']);
            Route::patch('', [FrameworkController::class, 'update']);
            Route::delete('', [FrameworkController::class, 'destroy']);
            Route::get('file', [FrameworkController::class, 'file']);
            Route::post('statements', [StatementController::class, 'store']);
            Route::patch('statements/{statement}', [StatementController::class, 'update']);
            Route::delete('statements/{statement}', [StatementController::class, 'destroy']);
            Route::post('associations', [StatementController::class, 'associate']);
            Route::delete('associations', [StatementController::class, 'dissociate']);
        });
    Route::get('stimuli', [StimulusController::class, 'index']);
    Route::post('banks/{bank:slug}/stimuli', [StimulusController::class, 'store'])->middleware(Idempotent::class);
    Route::get('stimuli/{stimulus}', [StimulusController::class, 'show'])->whereUuid('stimulus');
    Route::put('stimuli/{stimulus}', [StimulusController::class, 'update'])->whereUuid('stimulus');
    Route::patch('stimuli/{stimulus}', [StimulusController::class, 'place'])->whereUuid('stimulus');
    Route::get('stimuli/{stimulus}/media/{medium}', [StimulusController::class, 'medium'])->whereUuid('stimulus');
    Route::get('stimuli/{stimulus}/revisions', [StimulusRevisionController::class, 'index'])->whereUuid('stimulus');
    Route::get('stimuli/{stimulus}/revisions/{number}', [StimulusRevisionController::class, 'show'])
        ->whereUuid('stimulus')
        ->where('number', '[0-9]{1,9}');
    Route::get('autosaves/{subject}', [AutosaveController::class, 'show']);
    Route::put('autosaves/{subject}', [AutosaveController::class, 'update']);
    Route::delete('autosaves/{subject}', [AutosaveController::class, 'destroy']);
    Route::get('banks/{bank:slug}/media', [MediaController::class, 'index']);
    Route::post('banks/{bank:slug}/media', [MediaController::class, 'store'])->middleware('throttle:give');
    Route::post('banks/{bank:slug}/uploads', [UploadController::class, 'store'])->middleware('throttle:give');
    Route::get('uploads/{upload}', [UploadController::class, 'show'])->whereUuid('upload');
    Route::put('uploads/{upload}', [UploadController::class, 'piece'])->whereUuid('upload');
    Route::post('uploads/{upload}/finish', [UploadController::class, 'finish'])->whereUuid('upload');
    Route::delete('uploads/{upload}', [UploadController::class, 'destroy'])->whereUuid('upload');
    Route::get('banks/{bank:slug}/media/{medium}', [MediaController::class, 'show']);
    Route::patch('banks/{bank:slug}/media/{medium}', [MediaController::class, 'update']);
    Route::get('banks/{bank:slug}/media/{medium}/about', [MediaController::class, 'about']);
    Route::get('banks/{bank:slug}/media/{medium}/uses', [MediaController::class, 'uses']);
    Route::post('banks/{bank:slug}/media/{medium}/stimuli', [MediaController::class, 'replaceInStimuli'])->middleware('throttle:give');
    Route::post('banks/{bank:slug}/media/{medium}/captions', [CaptionsController::class, 'store'])->middleware('throttle:give');
    Route::get('tray', [TrayController::class, 'show']);
    Route::patch('tray', [TrayController::class, 'update']);
    Route::get('assessments', [AssessmentController::class, 'index']);
    Route::post('assessments', [AssessmentController::class, 'store'])->middleware(Idempotent::class);
    Route::get('assessments/topics', [AssessmentController::class, 'topics']);
    Route::patch('assessment-folders', [AssessmentController::class, 'moveFolder']);
    Route::patch('assessments/{assessment}/place', [AssessmentController::class, 'place'])->whereUuid('assessment');
    Route::put('assessments/{assessment}/opened', [AssessmentController::class, 'opened'])->whereUuid('assessment');
    Route::get('assessments/{assessment}', [AssessmentController::class, 'show'])->whereUuid('assessment');
    Route::put('assessments/{assessment}', [AssessmentController::class, 'update'])->whereUuid('assessment');
    Route::post('assessments/{assessment}/questions', [AssessmentController::class, 'add'])->whereUuid('assessment');
    Route::delete('assessments/{assessment}', [AssessmentController::class, 'destroy'])->whereUuid('assessment');
    Route::get('assessments/{assessment}/compare/{other}', [AssessmentController::class, 'compare'])->whereUuid(['assessment', 'other']);
    Route::get('assessments/{assessment}/check', [AssessmentStateController::class, 'check'])->whereUuid('assessment');
    Route::post('assessments/{assessment}/state', [AssessmentStateController::class, 'update'])->whereUuid('assessment');
    Route::post('assessments/{assessment}/merge', EditMergeController::class)->whereUuid('assessment')->middleware('throttle:try');
    Route::post('assessments/{assessment}/restore', [AssessmentController::class, 'restore'])->whereUuid('assessment');
    Route::get('assessments/{assessment}/revisions', [AssessmentRevisionController::class, 'index'])->whereUuid('assessment');
    Route::post('assessments/{assessment}/revisions/{revision}/restore', [AssessmentRevisionController::class, 'restore'])
        ->whereUuid('assessment')->whereNumber('revision');
    Route::get('assessments/{assessment}/entries/{entry}', [EntryController::class, 'show'])->whereUuid('assessment');
    Route::put('assessments/{assessment}/entries/{entry}', [EntryController::class, 'update'])->whereUuid('assessment');
    Route::get('assessments/{assessment}/entries/{entry}/others', [EntryController::class, 'others'])->whereUuid('assessment');
    Route::get('assessments/{assessment}/draws/{entry}', [EntryController::class, 'draw'])->whereUuid('assessment');
    Route::get('assessments/{assessment}/sheet', [PrintController::class, 'sheet'])
        ->whereUuid('assessment')
        ->middleware(HeavyWork::class);
    Route::get('assessments/{assessment}/run', [RunController::class, 'show'])
        ->whereUuid('assessment')
        ->middleware(['throttle:try', HeavyWork::class]);
    Route::post('assessments/{assessment}/run', [RunController::class, 'report'])
        ->whereUuid('assessment')
        ->middleware(['throttle:try', HeavyWork::class]);
    Route::get('assessments/{assessment}/reading', [RunController::class, 'reading'])
        ->whereUuid('assessment')
        ->middleware(['throttle:try', HeavyWork::class]);
    Route::get('assessments/{assessment}/papers', [PrintController::class, 'file'])
        ->whereUuid('assessment')
        ->middleware(HeavyWork::class);
    Route::put('assessments/{assessment}/print', [PrintController::class, 'settings'])->whereUuid('assessment');
    Route::get('assessments/{assessment}/rolls', [PrintController::class, 'rolls'])->whereUuid('assessment');
    Route::post('assessments/{assessment}/prints', [PrintController::class, 'store'])
        ->whereUuid('assessment')
        ->middleware(['throttle:give', HeavyWork::class]);
    Route::get('assessments/{assessment}/print-orders/{order}', [PrintController::class, 'ordered'])->whereUuid(['assessment', 'order']);
    Route::get('assessments/{assessment}/prints/{print}', [PrintController::class, 'pdf'])->whereUuid(['assessment', 'print']);
    Route::get('assessments/{assessment}/prints/{print}/pages/{page}', [PrintController::class, 'page'])
        ->whereUuid(['assessment', 'print'])
        ->where('page', '[0-9]{1,5}');
    Route::get('assessments/{assessment}/forms', [FormController::class, 'index'])->whereUuid('assessment');
    Route::post('assessments/{assessment}/forms', [FormController::class, 'store'])
        ->whereUuid('assessment')
        ->middleware(['throttle:give', HeavyWork::class]);
    Route::get('assessments/{assessment}/forms/{set}', [FormController::class, 'show'])
        ->whereUuid(['assessment', 'set'])
        ->middleware(HeavyWork::class);
    Route::post('assessments/{assessment}/prints/{print}/receipts', [PrintReceiptController::class, 'store'])
        ->whereUuid(['assessment', 'print'])
        ->middleware('throttle:give');
    Route::get('assessments/{assessment}/receipts', [PrintReceiptController::class, 'index'])->whereUuid('assessment');
    Route::get('assessments/{assessment}/receipts/{receipt}', [PrintReceiptController::class, 'pdf'])->whereUuid(['assessment', 'receipt']);
    Route::get('banks/{bank:slug}/print-templates', [PrintTemplateController::class, 'index']);
    Route::put('banks/{bank:slug}/print-templates', [PrintTemplateController::class, 'store']);
    Route::delete('banks/{bank:slug}/print-templates/{template}', [PrintTemplateController::class, 'destroy'])->whereUuid('template');
    Route::get('assessments/{assessment}/blueprint', [AssembleController::class, 'check'])
        ->whereUuid('assessment')
        ->middleware(HeavyWork::class);
    Route::post('assessments/{assessment}/assemble', [AssembleController::class, 'solveAgain'])
        ->whereUuid('assessment')
        ->middleware(['throttle:try', HeavyWork::class]);
    Route::get('blueprints', [BlueprintController::class, 'index']);
    Route::post('blueprints', [BlueprintController::class, 'store'])->middleware(Idempotent::class);
    Route::get('blueprints/{blueprint}', [BlueprintController::class, 'show'])->whereUuid('blueprint');
    Route::put('blueprints/{blueprint}', [BlueprintController::class, 'update'])->whereUuid('blueprint');
    Route::delete('blueprints/{blueprint}', [BlueprintController::class, 'destroy'])->whereUuid('blueprint');
    Route::post('blueprints/{blueprint}/restore', [BlueprintController::class, 'restore'])->whereUuid('blueprint');
    Route::get('blueprints/{blueprint}/availability', [BlueprintController::class, 'availability'])
        ->whereUuid('blueprint')
        ->middleware(HeavyWork::class);
    Route::get('blueprints/{blueprint}/values', [BlueprintController::class, 'values'])->whereUuid('blueprint');
    Route::get('blueprints/{blueprint}/questions', [BlueprintController::class, 'questions'])->whereUuid('blueprint');
    Route::post('blueprints/{blueprint}/assemble', [AssembleController::class, 'solve'])
        ->whereUuid('blueprint')
        ->middleware(['throttle:try', HeavyWork::class]);
    Route::post('blueprints/{blueprint}/assessments', [AssembleController::class, 'make'])
        ->whereUuid('blueprint')
        ->middleware([Idempotent::class, HeavyWork::class]);
    Route::post('dispatches', [DispatchController::class, 'store'])->middleware('throttle:give');
    Route::post('dispatches/losses', [DispatchController::class, 'losses'])->middleware(['throttle:try', HeavyWork::class]);
    Route::get('dispatches/{dispatch}', [DispatchController::class, 'show'])->whereUuid('dispatch');
    Route::get('dispatches/{dispatch}/file', [DispatchController::class, 'file'])->whereUuid('dispatch');
    Route::post('dispatches/{dispatch}/deliver', [StandInController::class, 'deliver'])->whereUuid('dispatch');
    Route::get('transfers', [TransferController::class, 'index']);
    Route::get('receipts/{receipt}', [TransferController::class, 'receipt'])->whereUuid('receipt');
    Route::post('intakes', [IntakeController::class, 'store'])->middleware('throttle:give');
    Route::post('banks/{bank:slug}/reread', [IntakeController::class, 'again'])->middleware('throttle:give');
    Route::get('intakes/{intake}', [IntakeController::class, 'show'])->whereUuid('intake');
    Route::patch('intakes/{intake}', [IntakeController::class, 'update'])->whereUuid('intake');
    Route::delete('intakes/{intake}', [IntakeController::class, 'destroy'])->whereUuid('intake');
    Route::get('intakes/{intake}/parts', [PartsController::class, 'show'])->whereUuid('intake');
    Route::put('intakes/{intake}/parts', [PartsController::class, 'update'])->whereUuid('intake');
    Route::post('intakes/{intake}/commit', [IntakeController::class, 'commit'])->whereUuid('intake');
    Route::post('intakes/{intake}/undo', [IntakeController::class, 'undo'])->whereUuid('intake');
    Route::post('intakes/{intake}/set', [StagedController::class, 'set'])->whereUuid('intake');
    Route::get('intakes/{intake}/questions', [StagedController::class, 'index'])->whereUuid('intake');
    Route::get('intakes/{intake}/questions/{staged}', [StagedController::class, 'show'])->whereUuid(['intake', 'staged']);
    Route::put('intakes/{intake}/questions/{staged}', [StagedController::class, 'update'])->whereUuid(['intake', 'staged']);
    Route::get('intakes/{intake}/documents/{file}', [DocumentController::class, 'show'])->whereUuid(['intake', 'file']);
    Route::put('intakes/{intake}/files/{file}/corrections', [CorrectionController::class, 'update'])
        ->whereUuid(['intake', 'file'])
        ->middleware(['throttle:try', HeavyWork::class]);
    Route::get('intakes/{intake}/migration', [MigrationController::class, 'show'])->whereUuid('intake');
    Route::put('intakes/{intake}/migration', [MigrationController::class, 'update'])->whereUuid('intake');
    Route::post('intakes/{intake}/migration/recall', [MigrationController::class, 'recall'])
        ->whereUuid('intake')
        ->middleware(['throttle:try', HeavyWork::class]);
    Route::post('receipts/{receipt}/assumptions', [AssumptionController::class, 'ask'])->whereUuid('receipt')->middleware('throttle:give');
    Route::post('receipts/{receipt}/assumptions/{number}', [AssumptionController::class, 'confirm'])
        ->whereUuid('receipt')
        ->whereNumber('number');
    Route::get('intakes/{intake}/tables/{file}', [TableController::class, 'show'])->whereUuid(['intake', 'file']);
    Route::post('table-mappings', [TableController::class, 'keep']);
    Route::delete('table-mappings/{mapping}', [TableController::class, 'forget'])->whereUuid('mapping');
    Route::get('table-templates/{kind}/{type}', [TableController::class, 'template']);
    Route::get('intakes/{intake}/media/{medium}', [StagedController::class, 'medium'])->whereUuid('intake');
    Route::middleware(['throttle:try', HeavyWork::class])->group(function (): void {
        Route::post('lines', LinesController::class);
        Route::post('rubric-cells', RubricCellsController::class);
        Route::post('rubric-check', RubricCheckController::class);
        Route::post('agreement', AgreementController::class);
        Route::post('record', RecordController::class);
        Route::post('responses', [SpecimenController::class, 'table']);
        Route::post('convert', [ConvertController::class, 'offers']);
        Route::post('convert/join', [ConvertController::class, 'join']);
        Route::post('merge', [ConvertController::class, 'merge']);
        Route::post('replace', [ConvertController::class, 'replace']);
        Route::post('pieces', [ConvertController::class, 'pieces']);
        Route::post('faults', [ConvertController::class, 'faults']);
        Route::post('cells', [ConvertController::class, 'cells']);
        Route::post('answer-table', [ConvertController::class, 'table']);
        Route::post('banks/{bank:slug}/split', [ConvertController::class, 'split']);
        Route::post('present', PresentController::class);
        Route::post('score', ScoreController::class);
        Route::post('understood', UnderstoodController::class);
        Route::post('graphs', GraphController::class);
        Route::post('study', StudyController::class);
        Route::post('values', [ValuesController::class, 'read']);
        Route::post('values/rename', [ValuesController::class, 'rename']);
        Route::post('values/vary', [ValuesController::class, 'vary']);
    });
});
