#!/usr/bin/env bash
# Starts a PostgreSQL and a Redis of its own in a folder, runs a command with both, and stops them: elsewhere.sh FOLDER command …
set -euo pipefail
folder=$1
shift
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
programs=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -1)
port=${RINGO_PG_PORT:-54329}
redis=${RINGO_REDIS_PORT:-63799}
rm -rf "$folder"
mkdir -p "$folder"
# Whoever it runs as must get there.
chmod 755 "$(dirname "$folder")" "$folder"
# PostgreSQL does not run as root.
as() { if [ "$(id -u)" = 0 ]; then su postgres -s /bin/bash -c "$1"; else bash -c "$1"; fi; }
[ "$(id -u)" != 0 ] || chown postgres "$folder"
as "'$programs/initdb' -D '$folder/data' -U ringo --auth=trust --encoding=UTF8 --locale=C.UTF-8 >/dev/null"
as "'$programs/pg_ctl' -D '$folder/data' -w -l '$folder/postgres.log' -o \"-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='$folder' -c fsync=off\" start >/dev/null"
redis-server --port "$redis" --bind 127.0.0.1 --save '' --daemonize yes --logfile /dev/null --pidfile "/tmp/ringo-redis-$redis.pid" >/dev/null
stop() {
    as "'$programs/pg_ctl' -D '$folder/data' -m immediate stop >/dev/null" || true
    redis-cli -p "$redis" shutdown nosave >/dev/null 2>&1 || true
    rm -rf "$folder"
}
trap stop EXIT
as "'$programs/createdb' -h 127.0.0.1 -p $port -U ringo ringo"
# What phpunit.xml says for SQLite, said for these.
sed -e "s#<env name=\"DB_CONNECTION\" value=\"sqlite\"#<env name=\"DB_HOST\" value=\"127.0.0.1\" force=\"true\"/><env name=\"DB_PORT\" value=\"$port\" force=\"true\"/><env name=\"DB_USERNAME\" value=\"ringo\" force=\"true\"/><env name=\"REDIS_PORT\" value=\"$redis\" force=\"true\"/><env name=\"DB_CONNECTION\" value=\"pgsql\"#" \
    -e 's#<env name="DB_DATABASE" value=":memory:"#<env name="DB_DATABASE" value="ringo"#' \
    -e 's#<env name="CACHE_STORE" value="array"#<env name="CACHE_STORE" value="redis"#' \
    -e "s#bootstrap=\"vendor#bootstrap=\"$root/vendor#; s#<directory>\(tests\|core\|app\)#<directory>$root/\1#g; s#cacheDirectory=\"storage#cacheDirectory=\"$root/storage#" "$root/phpunit.xml" > "$folder.xml"
"$@" --configuration "$folder.xml"
