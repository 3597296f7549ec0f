# Watches a server that was started, and starts it again where it has ended or answers nothing. Whoever reads this says where it keeps
# its state ($state), whether a program runs (is_running NAME), and how the server is started (start_server).

# Whether the server answers at all, within five seconds.
is_healthy() {
  (
    exec 3<>"/dev/tcp/127.0.0.1/$(cat "$state/server.port")" || exit 1
    printf 'GET /api/session HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n' >&3
    read -r -t 5 line <&3 && [[ $line == HTTP/1.1\ [245]* ]]
  ) 2>/dev/null
}

# Starts the server again where it has ended, or answers nothing three times in a row.
watch_server() {
  local misses=0
  while sleep "${ROVEK_WATCH_EVERY:-5}"; do
    if is_running server && is_healthy; then
      misses=0
      continue
    fi
    misses=$((misses + 1))
    if ! is_running server || [ "$misses" -ge 3 ]; then
      cp "$state/server.log" "$state/server.log.before" 2>/dev/null || true
      if is_running server; then kill -9 "$(cat "$state/server.pid")" || true; fi
      say "$(date -u +%FT%TZ) The server had ended or did not answer; it is started again."
      start_server
      # A start takes longer than three looks.
      for _ in $(seq 240); do is_healthy && break; sleep 0.5; done
      misses=0
    fi
  done
}
