# What bin/demo and bin/test share: installs what is missing, and says what to do where it cannot. Sourced, not run.

root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root" || exit 1

fail() {
    printf '\n%s\n' "$1" >&2
    exit 1
}

need() {
    command -v "$1" > /dev/null || fail "$1 is needed and is not on this machine. $2"
}

# Debian's packages, only those that are missing.
system_packages() {
    need php 'Install PHP 8.2 for the command line (Debian: php8.2-cli).'
    need composer 'Install Composer (Debian: composer).'
    need npm 'Install Node 20 or newer with npm (Debian: nodejs and npm).'
    php -r 'exit(version_compare(PHP_VERSION, "8.2.0") >= 0 ? 0 : 1);' || fail "PHP 8.2 or newer is needed; this is $(php -r 'echo PHP_VERSION;')."
    local version modules packages=() pair
    version=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
    modules=$(php -m)
    for pair in pdo_sqlite:sqlite3 curl:curl zip:zip bcmath:bcmath intl:intl mbstring:mbstring dom:xml xmlreader:xml; do
        grep -qix "${pair%%:*}" <<< "$modules" || packages+=("php$version-${pair##*:}")
    done
    # Either will do; the one that has no windows to keep up needs half the time.
    if [[ " $* " == *' with-browser '* ]] && [ ! -x /usr/bin/chromium-headless-shell ] && [ ! -x /usr/bin/chromium ]; then
        packages+=(chromium-headless-shell fonts-noto-color-emoji)
    fi
    if [[ " $* " == *' with-postgres '* ]]; then
        [ -n "$(find /usr/lib/postgresql -maxdepth 2 -name bin 2> /dev/null)" ] || packages+=(postgresql)
        grep -qix pdo_pgsql <<< "$modules" || packages+=("php$version-pgsql")
    fi
    [ ${#packages[@]} -eq 0 ] && return
    echo "Installing ${packages[*]}"
    command -v apt-get > /dev/null || fail "Install these first: ${packages[*]}"
    local sudo=''
    if [ "$(id -u)" -ne 0 ]; then
        command -v sudo > /dev/null || fail "Not root, and no sudo here. As root: apt-get install ${packages[*]}"
        sudo=sudo
    fi
    { $sudo apt-get update -qq && DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends "${packages[@]}"; } > .cache/apt.log 2>&1 \
        || fail "apt-get could not install ${packages[*]}. Its words are in .cache/apt.log."
}

# Whether a thing made from files is older than they are. $1 is its mark; the rest are the files.
stale() {
    local mark=.cache/$1 now
    shift
    now=$(cat "$@" | sha256sum)
    [ "$now" = "$(cat "$mark" 2> /dev/null)" ] && return 1
    printf '%s' "$now" > "$mark.new"
    return 0
}

fresh() { mv ".cache/$1.new" ".cache/$1"; }

php_packages() {
    if stale composer composer.json composer.pins || [ ! -f vendor/autoload.php ]; then
        echo 'Installing PHP packages'
        # shellcheck disable=SC2046
        composer update -n -q --no-progress $(sed 's/^/--with /' composer.pins) > .cache/composer.log 2>&1 || {
            echo 'Not every pinned version is to be had; taking what composer.json allows instead.' >&2
            composer update -n -q --no-progress >> .cache/composer.log 2>&1 \
                || fail 'Composer could not install the PHP packages. Its words are in .cache/composer.log.'
        }
        # The framework's notes of which packages there are, which it makes anew.
        rm -f bootstrap/cache/packages.php bootstrap/cache/services.php standins/bootstrap/cache/packages.php standins/bootstrap/cache/services.php
        [ -f .cache/composer.new ] && fresh composer
    fi
    return 0
}

node_packages() {
    if stale npm package.json package-lock.json || [ ! -d node_modules/vite ]; then
        echo 'Installing Node packages'
        npm ci --no-audit --no-fund > .cache/npm.log 2>&1 || fail 'npm could not install the Node packages. Its words are in .cache/npm.log.'
        [ -f .cache/npm.new ] && fresh npm
    fi
    return 0
}

assets() {
    local files
    files=$(find resources/css resources/js resources/views standins/views vite.config.js package-lock.json -type f | sort)
    # shellcheck disable=SC2086
    if stale assets $files || [ ! -f public/build/manifest.json ]; then
        echo 'Building styles and scripts'
        npx vite build > .cache/build.log 2>&1 || fail 'The styles and scripts could not be built. What Vite said is in .cache/build.log.'
        [ -f .cache/assets.new ] && fresh assets
    fi
    return 0
}

random_secret() { php -r 'echo bin2hex(random_bytes(20));'; }

# Whether something listens on a port of this machine.
busy() { php -r 'exit(@fsockopen("127.0.0.1", (int) $argv[1], $e, $m, 1) ? 0 : 1);' "$1"; }

wait_for() {
    local i
    for i in $(seq 1 600); do
        php -r 'exit(@file_get_contents($argv[1]) !== false ? 0 : 1);' "$1" && return
        sleep 0.1
    done
    fail "Nothing answered at $1. Look into storage/logs."
}

mkdir -p .cache storage/demo storage/logs storage/framework/views storage/framework/sessions storage/framework/cache/data

# A PostgreSQL of its own in a folder of its own, as an ordinary user: for tests and measurements, ended with the script that asked for it.
# Sets DB_HOST, DB_PORT, DB_USERNAME and DB_PASSWORD for whoever connects to it.
postgres_up() {
    local bin
    bin=$(find /usr/lib/postgresql -maxdepth 2 -name bin 2> /dev/null | sort -V | tail -1)
    [ -n "$bin" ] || fail 'PostgreSQL is needed here and is not on this machine (Debian: postgresql).'
    postgres_dir=$(mktemp -d "${TMPDIR:-/tmp}/linnet-postgres.XXXXXX")
    postgres_as=()
    if [ "$(id -u)" -eq 0 ]; then
        # It refuses to run as root.
        chown postgres "$postgres_dir"
        postgres_as=(runuser -u postgres --)
    fi
    postgres_ctl=$bin/pg_ctl
    export DB_HOST=127.0.0.1 DB_USERNAME=linnet DB_PASSWORD=''
    DB_PORT=$(php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo explode(":", stream_socket_get_name($s, false))[1];')
    export DB_PORT
    {
        (cd "$postgres_dir" && "${postgres_as[@]}" "$bin/initdb" -D "$postgres_dir/data" -A trust -U linnet -E UTF8 --locale=C) \
            && (cd "$postgres_dir" && "${postgres_as[@]}" "$postgres_ctl" -D "$postgres_dir/data" -l "$postgres_dir/log" -w start \
                -o "-p $DB_PORT -k $postgres_dir -c listen_addresses=127.0.0.1 -c fsync=off -c synchronous_commit=off -c full_page_writes=off -c wal_level=minimal -c max_wal_senders=0 -c max_connections=60")
    } > .cache/postgres.log 2>&1 || fail 'PostgreSQL could not be started. Its words are in .cache/postgres.log.'
}

postgres_down() {
    [ -n "${postgres_dir:-}" ] || return 0
    (cd "$postgres_dir" && "${postgres_as[@]}" "$postgres_ctl" -D "$postgres_dir/data" -m immediate stop) > /dev/null 2>&1 || true
    rm -rf "$postgres_dir"
    postgres_dir=
}

postgres_database() {
    php -r '(new PDO("pgsql:host=$argv[1];port=$argv[2];dbname=postgres", $argv[3]))->exec("create database $argv[4]");' "$DB_HOST" "$DB_PORT" "$DB_USERNAME" "$1"
}
