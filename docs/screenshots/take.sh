#!/usr/bin/env bash
# Takes the pictures of this folder anew, from the demo data, in a terminal
# under a virtual screen, and pages in Chromium. Needs the packages xvfb, xterm, imagemagick, chromium and
# fonts-dejavu. Run it from anywhere; name pictures to take only those.
set -euo pipefail
here=$(cd "$(dirname "$0")" && pwd)
root=$(cd "$here/../.." && pwd)
work=$(mktemp -d)
trap 'kill $screen 2>/dev/null || true; rm -rf "$work"' EXIT
CGO_ENABLED=0 go build -C "$root" -o "$work/bin/justlens" ./cmd/justlens
export PATH="$work/bin:$PATH"
justlens demo "$work/bees" >/dev/null

export DISPLAY=:87
Xvfb $DISPLAY -screen 0 1280x800x24 >/dev/null 2>&1 &
screen=$!
sleep 1

# shot NAME COMMAND: what the command leaves on the screen of a terminal.
shot() {
	local name=$1 command=$2
	if [ ${#wanted[@]} -gt 0 ] && [[ ! " ${wanted[*]} " == *" $name "* ]]; then return; fi
	(cd "$work/bees" && xterm -geometry 138x41+0+0 -fa 'DejaVu Sans Mono' -fs 11 -bg '#1b1d23' -fg '#dcdfe4' \
		-xrm '*color8: #7f848e' -xrm '*color4: #61afef' -xrm '*color5: #d16dd8' -xrm '*color1: #f06c75' \
		-xrm '*color2: #8fce7a' -xrm '*color3: #e5c07b' \
		-xrm '*color9: #f06c75' -xrm '*color11: #e5c07b' -xrm '*color12: #61afef' -xrm '*color13: #d16dd8' -b 12 +sb -T "$name" \
		-e bash -c "printf '\$ %s\n\n' '$command'; $command; touch $work/ready; sleep 30") &
	local terminal=$!
	for _ in $(seq 100); do [ -e "$work/ready" ] && break; sleep 0.1; done
	sleep 0.6
	import -window root "$here/$name.png"
	kill $terminal 2>/dev/null || true
	rm -f "$work/ready"
	sleep 0.2
}

wanted=("$@")
shot review 'justlens review queries/mite_alarm.sql queries/find_apiary.sql --schema schema.sql --dialect postgres'
shot types 'justlens review queries/old_site/due_visits.sql --schema schema.sql --dialect mariadb --color always | head -n 38'
shot definition 'justlens review queries/swarm_log.sql --schema schema.sql --dialect mariadb'
shot names 'justlens review queries/mentors_of_north.sql --schema schema.sql'
shot grain 'justlens review queries/income_by_keeper.sql --schema schema.sql'
shot evidence 'justlens review queries/spare_queens.sql --schema schema.sql --evidence --dialect postgres --color always | head -n 38'
shot follow 'justlens follow queries/income_by_keeper.sql --schema schema.sql --rows data.sql --color always | head -n 38'
shot compare 'justlens compare rewrites/idle_queens.sql rewrites/idle_queens_bad.sql --schema schema.sql --rows data.sql'
shot schema 'justlens schema schema.sql --dialect mariadb | head -n 38'
shot guide 'justlens guide --color always | head -n 38'
shot guide-check 'justlens guide null.not-in-subquery --color always | head -n 38'
shot mend 'justlens mend queries/keeper_workload.sql queries/old_site/season.sql --schema schema.sql'
shot demo 'justlens demo --color always | head -n 38'
shot code-review 'justlens review queries/code_review/season_report.sql --schema schema.sql --dialect postgres --color always | tail -n 40'
shot guide-error 'justlens guide 42803; justlens guide join --color always | head -n 24'
shot config 'justlens init; justlens review queries/old_site/season.sql --show-config'
shot brief 'justlens review queries --schema schema.sql --brief | cut -c1-136 | head -n 38'

# page NAME WIDTH HEIGHT: the HTML report of the demo's queries, in headless Chromium.
page() {
	local name=$1 size=$2,$3
	if [ ${#wanted[@]} -gt 0 ] && [[ ! " ${wanted[*]} " == *" $name "* ]]; then return; fi
	(cd "$work/bees" && { justlens review queries --schema schema.sql --dialect postgres --evidence --report html="$work/page.html" 2>/dev/null || true; })
	chromium --headless --no-sandbox --disable-gpu --no-first-run --disable-background-networking --disable-component-update --disable-sync \
		--user-data-dir="$work/profile" --hide-scrollbars --window-size="$size" --screenshot="$here/$name.png" "file://$work/page.html" >/dev/null 2>&1
}
page page 1280 800
