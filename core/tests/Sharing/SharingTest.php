<?php

declare(strict_types=1);

use WideQuarry\Sharing\Role;
use WideQuarry\Sharing\Sharing;

it('lets each role do what the ones before it can, and more', function (Role $role, bool $canEdit, bool $canManage, string $label): void {
    expect([$role->canEdit(), $role->canManage(), $role->label()])->toBe([$canEdit, $canManage, $label]);
})->with([
    [Role::Reader, false, false, 'can view'],
    [Role::Writer, true, false, 'can edit'],
    [Role::Keeper, true, true, 'can manage'],
]);

it('needs somebody who can manage', function (array $roles, bool $has): void {
    expect(Sharing::hasManager($roles))->toBe($has);
})->with([
    'nobody' => [[], false],
    'editors only' => [[Role::Writer, Role::Writer, Role::Reader], false],
    'one manager, last' => [[Role::Reader, Role::Keeper], true],
]);
