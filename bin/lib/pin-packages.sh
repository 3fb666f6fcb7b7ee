#!/usr/bin/env bash
# Writes composer.pins from what is installed: run it after changing a version in composer.json, then commit both.
cd "$(dirname "$0")/../.." || exit 1
{
    head -n 1 composer.pins
    composer show --format=json 2>/dev/null | php -r 'foreach (json_decode(stream_get_contents(STDIN), true)["installed"] as $p)
        echo $p["name"], ":", ltrim($p["version"], "v"), "\n";'
} >composer.pins.new && mv composer.pins.new composer.pins
