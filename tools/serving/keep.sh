#!/usr/bin/env bash
# Keeps programs running: keep.sh PARENT 'name: command' 'name: command' …
#
# What dies is started again, after a pause that doubles while it dies at once. All of them are one process group: when the parent is gone,
# however it went, none of them is left. Start it with setsid.
set -u
parent=$1
shift
longest_pause=${KEEP_LONGEST_PAUSE:-30}
# Whoever ran so many seconds did not die at once.
ran_well=${KEEP_RAN_WELL:-20}

keep() {
    local pause=1 began name=${1%%: *} command=${1#*: }
    while :; do
        began=$SECONDS
        bash -c "exec $command"
        local how=$?
        [ $((SECONDS - began)) -ge "$ran_well" ] && pause=1
        echo "$(date '+%H:%M:%S') $name ended ($how) and is started again in $pause s" >&2
        sleep "$pause"
        pause=$((pause * 2 > longest_pause ? longest_pause : pause * 2))
    done
}

for command in "$@"; do
    keep "$command" &
done
stop() {
    trap '' TERM INT
    kill -TERM -- "-$$" 2>/dev/null
    sleep 1
    kill -KILL -- "-$$" 2>/dev/null
}
trap stop TERM INT
# A process that ended and that nobody has asked about is gone as well.
lives() {
    kill -0 "$parent" 2>/dev/null && ! grep -qs '^State:[[:space:]]*Z' "/proc/$parent/status"
}
while lives; do
    sleep 0.5 &
    wait $!
done
stop
