<?php

declare(strict_types=1);

namespace App\Actions;

use App\Actions\Dispatch\OpenDispatch;
use App\Actions\Dispatch\WriteDispatch;
use App\Errors\Refused;
use App\Models\Bank;
use App\Models\User;
use App\Storage\FileStore;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** A bank to a file in one go, as the command line does: the dispatch's own steps. */
final readonly class ExportBank
{
    public function __construct(private OpenDispatch $open, private WriteDispatch $write, private FileStore $files)
    {
    }

    /**
     * @return \stdClass the receipt: id, body
     *
     * @throws Refused
     */
    public function handle(Bank $bank, string $format, string $file, User $person): \stdClass
    {
        $id = $this->open->handle(Fields::of((object) ['format' => $format, 'bank' => $bank->slug], '', ['format', 'bank']), $person);
        $this->write->handle($id);
        /** @var (object{sha256: string|null, problem: string|null, receipt_id: string, body: string}&\stdClass)|null $done */
        $done = DB::table('dispatches')->where('id', $id)->first();
        if ($done?->sha256 === null) {
            throw Refused::because('dispatch.failed', $done->problem ?? Message::of('app.actions.file-could-not-be-written'));
        }
        if (! copy($this->files->path($done->sha256), "$file.part") || ! rename("$file.part", $file)) {
            throw Refused::because('dispatch.failed', Message::of('app.actions.cannot-written', ['file' => $file]));
        }

        return (object) ['id' => $done->receipt_id, 'body' => Json::decode($done->body)];
    }
}
