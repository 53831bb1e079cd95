# All that the commands of bin share. Sourced, not run.
# shellcheck shell=bash
for room in common packages database web services; do
    # shellcheck disable=SC1090
    . "$(dirname "${BASH_SOURCE[0]}")/lib/$room.sh"
done
