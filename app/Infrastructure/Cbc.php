<?php

declare(strict_types=1);

namespace App\Infrastructure;

use WideQuarry\Selection\LpFile;
use WideQuarry\Selection\Programme;
use WideQuarry\Selection\SolutionFile;
use WideQuarry\Selection\Solved;
use WideQuarry\Selection\Solver;
use WideQuarry\Selection\SolverFailed;

/** Debian's coinor-cbc (branch and cut), confined. One thread and fixed seeds, so that the same programme has the same solution. */
final readonly class Cbc implements Solver
{
    private const MEMORY = 1_500_000_000; // bytes

    /** Exit code of a shell, and of env, for a command that is not there. */
    private const NO_COMMAND = 127;

    /** Within 1 % of the best, or after so many nodes: by work, not by time, which differs between processes. */
    private const ROUGHLY = ['ratioGap', '0.01', 'maxNodes', '50'];

    public function __construct(private string $program = 'cbc')
    {
    }

    public function solve(Programme $programme, float $seconds, bool $isRough = false): Solved
    {
        if ($programme->upper() === []) {
            return Solved::best([]);
        }
        $solved = $this->ask($programme, $seconds, $isRough ? self::ROUGHLY : []);

        return $isRough && $solved->values === null && ! $solved->isProved ? $this->ask($programme, $seconds, []) : $solved;
    }

    /**
     * @param  list<string>  $options
     *
     * @throws SolverFailed
     */
    private function ask(Programme $programme, float $seconds, array $options): Solved
    {
        $answer = Sandbox::ask(
            ['model.lp' => LpFile::write($programme)],
            [
                $this->program,
                '{}/model.lp',
                ...['timeMode', 'elapsed', 'sec', sprintf('%.2f', $seconds), 'randomCbcSeed', '1', 'randomSeed', '1'],
                ...[...$options, 'solve', 'solution', '{}/solution'],
            ],
            'solution',
            self::MEMORY,
            (int) ceil($seconds + max(2, $seconds)), // it looks at the clock between steps
        );
        if ($answer['code'] === self::NO_COMMAND) {
            throw SolverFailed::missing();
        }
        if ($answer['code'] !== 0) {
            throw SolverFailed::ended();
        }

        return SolutionFile::read($answer['wrote'] ?? '', $programme, $answer['printed']);
    }
}
