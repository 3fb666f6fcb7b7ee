<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Errors\Refused;
use App\Jobs\WorkOnIntake;
use App\Models\Intake;
use App\Storage\FileStore;
use Illuminate\Support\Facades\DB;
use WideQuarry\CoreException;
use WideQuarry\Interchange\DividedFormat;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/** Lists what the packages of an import fall into, and takes what somebody chose of it, before any question is read. */
final readonly class ChooseParts
{
    private const MOST = 20_000;

    public function __construct(private PartKinds $kinds, private FileStore $files, private DocumentConverter $converter)
    {
    }

    /** @return bool whether there is anything to choose; it then waits for somebody to do so */
    public function offer(Intake $intake): bool
    {
        /** @var list<object{id: string, name: string, sha256: string}&\stdClass> $files */
        $files = DB::table('intake_files')
            ->where('intake_id', $intake->id)
            ->where('state', 'waiting')
            ->get(['id', 'name', 'sha256'])
            ->all();
        $any = false;
        foreach ($files as $file) {
            $parts = $this->parts(new Source($this->files->path($file->sha256), $file->name));
            $isDivided = $parts?->isDivided() === true;
            DB::table('intake_files')->where('id', $file->id)->update(['parts' => $isDivided ? Json::encode($parts) : null]);
            $any = $any || $isDivided;
        }

        return Intake::query()
            ->whereKey($intake->id)
            ->where('state', 'reading')
            ->where('stop_asked', false) // ReadIntake ends one that was stopped
            ->update($any ? ['state' => 'choosing', 'chooses' => false] : ['chooses' => false]) > 0 && $any;
    }

    /** Null for a file that has no parts, or cannot be read: reading it says why. */
    private function parts(Source $source): ?PackageParts
    {
        try {
            $format = Formats::standard($this->kinds, $this->converter)->for($source, Formats::QUESTIONS);

            return $format instanceof DividedFormat ? $format->parts($source) : null;
        } catch (CoreException) {
            return null;
        }
    }

    /**
     * @param  mixed  $given  file → ids of its parts, none to leave the file out; a file that is not named is read whole
     *
     * @throws CoreException
     */
    public function choose(Intake $intake, mixed $given): void
    {
        DB::transaction(function () use ($intake, $given): void {
            if (Intake::query()->whereKey($intake->id)->where('state', 'choosing')->lockForUpdate()->doesntExist()) {
                throw Refused::because('intake.state', Message::of('app.actions.intake.not-choosing'));
            }
            /** @var array<string, string|null> $files */
            $files = DB::table('intake_files')->where('intake_id', $intake->id)->pluck('parts', 'id')->all();
            $fields = Fields::of($given, '/parts', array_keys($files));
            $any = false;
            foreach ($files as $file => $parts) {
                $chosen = $fields->has($file) ? self::chosen($parts, $fields->strings($file, self::MOST, 2000)) : null;
                $any = $any || $chosen !== [];
                DB::table('intake_files')->where('id', $file)->update(['chosen' => $chosen === null ? null : Json::encode($chosen)]);
            }
            if (! $any) {
                throw UnreadableFile::noPart();
            }
            Intake::query()->whereKey($intake->id)->update(['state' => 'reading']);
            WorkOnIntake::begin($intake);
        });
    }

    /**
     * @param  list<string>  $ids
     * @return list<string>|null with the parts that these need; null for all
     *
     * @throws UnreadableFile
     */
    private static function chosen(?string $parts, array $ids): ?array
    {
        if ($ids === [] || $parts === null) {
            return $ids === [] ? [] : null;
        }
        $parts = PackageParts::read(Json::decode($parts));
        $choice = $parts->choose($ids);

        return $parts->leftOut($choice) === null ? null : $choice->ids();
    }
}
