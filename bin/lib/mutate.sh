# Mutation tests of the modules that compute (Pest's). Sourced by bin/test --mutate, not run.
# Each mutation runs the tests that cover its line, so a module takes minutes. docs/developers/mutations.md says what is left and why.

# The tests that are to notice: those of the module itself.
tests_of() { echo "core/tests/$1"; }

coverage_driver() {
    php -m | grep -q pcov && return
    [ -f /etc/php/8.2/mods-available/pcov.ini ] || {
        is_root || die "Run this once, then start again: sudo apt-get install php8.2-pcov"
        DEBIAN_FRONTEND=noninteractive quietly apt-get -y install php8.2-pcov && phpdismod pcov
    }
    EXTENSION='extension=pcov.so'
}

mutate() { # [modules]
    [ $# -gt 0 ] || set -- Numbers Assembly Search Scoring Answer
    local module EXTENSION='' ini=$VAR/run/mutate
    coverage_driver
    mkdir -p "$ini" vendor/pestphp/pest-plugin-mutate/.temp/mutations
    printf '%s\npcov.enabled=1\npcov.directory=%s\npcov.exclude="~/vendor/~"\n' "$EXTENSION" "$ROOT" >"$ini/pcov.ini"
    for module in "$@"; do
        [ -d "core/src/$module" ] || die "There is no module $module in core/src."
        say "Breaking the lines of $module, one at a time…"
        PHP_INI_SCAN_DIR=:$ini vendor/bin/pest "$(tests_of "$module")" --mutate --everything --covered-only --parallel \
            --path="core/src/$module" >"$VAR/run/mutate-$module.log" 2>&1 || true
        sed 's/\x1b\[[0-9;]*m//g' "$VAR/run/mutate-$module.log" | grep -A 12 'UNTESTED' | grep -vE 'Mutations:|Score:|Duration:|Parallel:' || true
        sed 's/\x1b\[[0-9;]*m//g' "$VAR/run/mutate-$module.log" | grep -E 'Mutations:|Score:' || die "See $VAR/run/mutate-$module.log."
    done
}
