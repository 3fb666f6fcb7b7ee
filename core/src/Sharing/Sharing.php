<?php

declare(strict_types=1);

namespace WideQuarry\Sharing;

/** Rules about the rights to one bank. */
final class Sharing
{
    /**
     * Whether somebody is left who can share the bank again: without one, it could never be shared any more.
     *
     * @param  list<Role>  $roles  of everybody who has a right
     */
    public static function hasManager(array $roles): bool
    {
        foreach ($roles as $role) {
            if ($role->canManage()) {
                return true;
            }
        }

        return false;
    }
}
