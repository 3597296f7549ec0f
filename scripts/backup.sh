# Backup and restore, for ./rovek and for whoever runs Rovek elsewhere: database, sealing key and version in one file.
#
# Where the database is comes from ROVEK_BACKUP_DB (host:port/name), ROVEK_BACKUP_DB_USER and ROVEK_BACKUP_DB_PASSWORD; where the key is from
# ROVEK_SECRET_KEY_FILE. Left out, they are those of the demonstration of this checkout.

backup_format=1

database_of() {
  backup_db=${ROVEK_BACKUP_DB:-127.0.0.1:$(cat "$state/pg-demo.port" 2>/dev/null || printf 0)/postgres}
  backup_user=${ROVEK_BACKUP_DB_USER:-rovek}
  backup_password=${ROVEK_BACKUP_DB_PASSWORD:-$(cat "$state/pg-demo.password" 2>/dev/null || true)}
  backup_key=${ROVEK_SECRET_KEY_FILE:-$state/secret.key}
  backup_host=${backup_db%%:*}
  backup_port=${backup_db#*:}
  backup_name=${backup_port#*/}
  backup_port=${backup_port%%/*}
}

# A program of PostgreSQL's, at the database that is meant.
postgres_program() {
  local program=$1
  shift
  PGPASSWORD=$backup_password "$(postgres_bin)/$program" -h "$backup_host" -p "$backup_port" -U "$backup_user" -d "$backup_name" "$@"
}

ask_database() { postgres_program psql -X -A -t -q -v ON_ERROR_STOP=1 -c "$1"; }

# Originals and reports whose bytes are no longer those they were kept with. Before the 30th step of the schema an original was one piece.
changed_files() {
  local whole="SELECT string_agg(bytes, '' ORDER BY first_byte) FROM original_piece WHERE original_id = o.id"
  if [ "$(ask_database "SELECT to_regclass('original_piece') IS NULL")" = t ]; then whole='SELECT o.bytes'; fi
  ask_database "SELECT (SELECT count(*) FROM original o WHERE sha256 <> encode(sha256(coalesce(($whole), '')), 'hex'))
    + (SELECT count(*) FROM certificate WHERE pdf IS NOT NULL AND pdf_sha256 <> encode(sha256(pdf), 'hex'))"
}

backup() {
  local file=${1:-} work changed
  [ -n "$file" ] || fail "Say where to: ./rovek backup FILE"
  [[ $file = /* ]] || file=$called_from/$file
  [ ! -e "$file" ] || fail "$file is there already; a backup overwrites nothing."
  database_of
  work=$(mktemp -d)
  # shellcheck disable=SC2064
  trap "rm -rf '$work'" EXIT
  chmod 700 "$work"
  changed=$(changed_files) || fail "The database does not answer; nothing was written."
  [ "$changed" = 0 ] || say "Warning: $changed originals or reports in the database are not what was kept. They are backed up as they are."
  postgres_program pg_dump --format=custom --no-owner --no-privileges --file="$work/database.dump" || fail "The database could not be read; nothing was written."
  if [ -f "$backup_key" ]; then cp "$backup_key" "$work/secret.key"; fi
  {
    printf 'format %s\nversion %s\n' "$backup_format" "$version"
    printf 'schema %s\n' "$(ask_database 'SELECT max(installed_rank) FROM flyway_schema_history WHERE success')"
    printf 'made %s\n' "$(date -u +%FT%TZ)"
  } >"$work/backup.txt"
  (cd "$work" && sha256sum -- * >SHA256SUMS)
  (umask 077 && tar -C "$work" -cf "$file.part" .) || { rm -f "$file.part"; fail "$file could not be written."; }
  sync "$file.part"
  mv "$file.part" "$file"
  say "$file holds the database and the key that opens its pass codes: keep it where nobody else reads it."
}

restore() {
  local file=${1:-} work there here
  [[ -z $file || $file = /* ]] || file=$called_from/$file
  [ -f "$file" ] || fail "Say from where: ./rovek restore FILE"
  database_of
  work=$(mktemp -d)
  # shellcheck disable=SC2064
  trap "rm -rf '$work'" EXIT
  chmod 700 "$work"
  tar -C "$work" --no-same-owner -xf "$file" ./SHA256SUMS ./backup.txt ./database.dump 2>/dev/null || fail "$file is no backup of Rovek's, or it is cut off. Nothing was changed."
  tar -C "$work" --no-same-owner -xf "$file" ./secret.key 2>/dev/null || true
  (cd "$work" && sha256sum --quiet --strict -c SHA256SUMS >/dev/null 2>&1) || fail "$file is damaged: a digest does not agree. Nothing was changed."
  grep -qx "format $backup_format" "$work/backup.txt" || fail "$file was made by another version of this script. Nothing was changed."
  there=$(sed -n 's/^schema //p' "$work/backup.txt")
  here=$(ls "${backup_migrations:-server/src/main/resources/db/migration}" | wc -l)
  [ "$there" -le "$here" ] || fail "$file was made by a newer Rovek ($there steps of the schema, this one knows $here). Nothing was changed."
  [ "$(ask_database "SELECT count(*) FROM information_schema.tables WHERE table_schema = 'public'")" = 0 ] \
    || fail "The database holds something already. A restore goes into an empty one; nothing was changed."
  postgres_program pg_restore --exit-on-error --single-transaction --no-owner --no-privileges "$work/database.dump" \
    || fail "The database could not be written; it is as empty as before."
  [ "$(changed_files)" = 0 ] || fail "Restored, but originals or reports are not what was kept: $(changed_files) digests do not agree."
  if [ -f "$work/secret.key" ]; then
    if [ -f "$backup_key" ] && ! cmp -s "$backup_key" "$work/secret.key"; then mv "$backup_key" "$backup_key.before"; fi
    (umask 077 && mkdir -p "$(dirname "$backup_key")" && cp "$work/secret.key" "$backup_key")
  fi
  say "Restored: every original and every report has the digest it was kept with."
}
