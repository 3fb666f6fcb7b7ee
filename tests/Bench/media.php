<?php

declare(strict_types=1);

// A photograph of 12 megapixels to all its sizes beside the bare program on the same file, and the first page of a library of 5,000 beside
// the smallest signed-in request's query.

use App\Infrastructure\Pictures;
use App\Models\Bank;
use App\Queries\MediaLibrary;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Bench\Bench;
use WideQuarry\Media\MediaLimits;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$folder = sys_get_temp_dir().'/quarry-bench-'.bin2hex(random_bytes(4));
mkdir($folder);
$image = imagecreatetruecolor(4000, 3000);
mt_srand(1);
for ($i = 0; $i < 4000; $i++) {
    $colour = (int) imagecolorallocate($image, mt_rand(0, 255), mt_rand(0, 255), mt_rand(0, 255));
    imagefilledellipse($image, mt_rand(0, 4000), mt_rand(0, 3000), mt_rand(20, 400), mt_rand(20, 400), $colour);
}
imagejpeg($image, "$folder/given.jpg", 90);
$bytes = (string) file_get_contents("$folder/given.jpg");

$bench = new Bench(3);
$bench->compare(
    'photograph of 12 MP to all sizes',
    fn () => Pictures::sizes($bytes, 'image/jpeg', MediaLimits::WIDTHS),
    function () use ($folder): void {
        foreach (MediaLimits::WIDTHS as $width) {
            exec("vipsthumbnail $folder/given.jpg --size {$width}x -o $folder/$width.webp[Q=82,strip] 2>/dev/null");
        }
    },
    1.3,
    count(MediaLimits::WIDTHS),
);
array_map(unlink(...), glob("$folder/*") ?: []);
rmdir($folder);

$bank = Bank::query()->firstOrCreate(['slug' => 'bench-media'], ['name' => 'Bench media']);
if (DB::table('media')->where('bank_id', $bank->id)->count() < 5000) {
    foreach (array_chunk(range(1, 5000), 500) as $some) {
        DB::table('media')->insertOrIgnore(
            array_map(
                fn (int $i): array => [
                    'bank_id' => $bank->id,
                    'id' => hash('md5', "bench $i"),
                    'sha256' => hash('sha256', "bench $i"),
                    'type' => 'image/png',
                    'name' => "Beds $i.png",
                    'bytes' => 10_000 + $i,
                    'width' => 1200,
                    'height' => 800,
                    'alt' => $i % 3 === 0 ? null : "Bed number $i of the quarry",
                    'created_at' => gmdate('Y-m-d H:i:s', 1_760_000_000 + $i),
                ],
                $some,
            ),
        );
    }
    DB::statement('ANALYZE media');
}
$library = new MediaLibrary;
$asked = ['words' => '', 'kind' => '', 'only' => '', 'larger' => 0, 'cursor' => ''];
foreach (['first page of a library of 5,000' => $asked, 'its words' => [...$asked, 'words' => 'bed 499']] as $name => $query) {
    $bench->compare(
        $name,
        fn (): array => $library->page($bank->id, $query),
        fn () => DB::table('media')->where('bank_id', $bank->id)->orderByDesc('created_at')->limit(60)->get(),
        30,
        1,
    );
}
$bench->compare(
    'unused of a library of 5,000',
    fn (): array => $library->page($bank->id, [...$asked, 'only' => 'unused']),
    fn () => DB::select(
        'SELECT id FROM media WHERE bank_id = ? AND NOT EXISTS (SELECT 1 FROM questions WHERE media @> ARRAY[media.id]) LIMIT 60',
        [$bank->id],
    ),
    12,
    1,
);
exit($bench->end());
