#!/usr/bin/env bash
# Serves the application on a database of its own with the demo data, for the browser tests.
# Usage: serve.sh PORT NAME      (NAME "toy": with the craft that the tests add)
set -euo pipefail
cd "$(dirname "$0")/../../.."
export DB_DATABASE="$PWD/database/$2-test.sqlite" CACHE_PREFIX="$2-test" TARNWIND_DEMO=true
if [ "$2" = toy ]; then
    export TARNWIND_CRAFTS='Tests\Toy\Breath\BreathCraft' TARNWIND_BUILD=build-toy
fi
rm -f "$DB_DATABASE"*
touch "$DB_DATABASE"
php artisan cache:clear --quiet
php artisan migrate --seed --force --quiet
# What each test starts from: see test in studio.ts.
cp "$DB_DATABASE" "$DB_DATABASE.seeded"
cd public
exec env PHP_CLI_SERVER_WORKERS=4 php -d upload_max_filesize=21M -d post_max_size=24M -d memory_limit=512M -d opcache.enable_cli=1 -d display_errors=0 \
    -S "127.0.0.1:$1" ../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php
