<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What happened to accounts and rights, for administrators. */
final class SecurityLogController
{
    private const PAGE = 100;

    #[Operation(
        'The security log, the newest first (?before=ID); with ?download all of it as CSV',
        response: ['data' => 'SecurityLogEntry[]', 'next' => 'number|null'],
    )]
    public function index(Request $request): JsonResponse|StreamedResponse
    {
        if ($request->has('download')) {
            return $this->file();
        }
        $before = $request->query('before');
        /** @var \Illuminate\Support\Collection<int, object{id: int, details: string}&\stdClass> $rows */
        $rows = DB::table('security_log')
            ->when(is_string($before) && ctype_digit($before) && strlen($before) < 18, fn ($query) => $query->where('id', '<', $before))
            ->orderByDesc('id')
            ->limit(self::PAGE)
            ->get();

        return new JsonResponse([
            'data' => $rows->map(fn (\stdClass $row): array => [...(array) $row, 'details' => json_decode($row->details)])->all(),
            'next' => $rows->count() === self::PAGE ? $rows->last()?->id : null,
        ]);
    }

    private function file(): StreamedResponse
    {
        return new StreamedResponse(
            function (): void {
                $out = fopen('php://output', 'w');
                assert($out !== false);
                fputcsv($out, ['id', 'at', 'kind', 'person', 'address', 'details'], escape: '');
                foreach (DB::table('security_log')->orderBy('id')->lazyById(1000) as $row) {
                    // a cell that begins like a formula would run in a spreadsheet
                    fputcsv(
                        $out,
                        array_map(
                            fn (mixed $cell): string => preg_replace('/^[=+\-@\t\r]/', "'$0", is_scalar($cell) ? (string) $cell : '') ??
                                '',
                            [$row->id, $row->at, $row->kind, $row->person, $row->address, $row->details],
                        ),
                        escape: '',
                    );
                }
                fclose($out);
            },
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="security-log.csv"'],
        );
    }
}
