<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Pack;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;

final class PackWriter
{
    /** @return list<Notice> none: nothing is lost */
    public function write(PackageContents $content, string $file): array
    {
        $lines = fn (array $things): string => implode('', array_map(fn (mixed $thing): string => Json::encode($thing)."\n", $things));
        $files = [
            'questions.jsonl' => $lines($content->questions),
            'stimuli.jsonl' => $lines($content->stimuli),
            'groups.json' => Json::encode($content->groups)."\n",
            'assessments.json' => Json::encode($content->assessments)."\n",
        ];
        foreach ($content->media as $medium) {
            $files["media/$medium->sha256"] = $medium->bytes;
        }
        $manifest = [
            'format' => 'wide-quarry/package',
            'version' => 1,
            'counts' => [
                'questions' => count($content->questions),
                'stimuli' => count($content->stimuli),
                'assessments' => count($content->assessments),
                'media' => count($content->media),
            ],
            'files' => array_map(
                fn (string $path, string $bytes): array => [
                    'path' => $path,
                    'sha256' => hash('sha256', $bytes),
                    'bytes' => strlen($bytes),
                ],
                array_keys($files),
                $files,
            ),
            'media' => array_map(fn (Medium $medium): array => $medium->describe(), $content->media),
        ];
        $zip = new ZipWriter($file);
        $zip->add('package.json', Json::pretty($manifest)."\n");
        foreach ($files as $path => $bytes) {
            $zip->add($path, $bytes);
        }
        $zip->close();

        return [];
    }
}
