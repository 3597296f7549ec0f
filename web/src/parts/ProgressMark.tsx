/** A stop's progress: a ring that fills, with a slash for skipped. */
export function ProgressMark({ progress }: { progress: string }) {
  return (
    <svg role="img" aria-label={progress} width="13" height="13" viewBox="0 0 14 14" className="text-ink2">
      <title>{progress}</title>
      <circle cx="7" cy="7" r="6" fill="none" stroke="currentColor" strokeWidth="1.2" />
      {progress === 'begun' && <path d="M7 3a4 4 0 0 1 0 8z" fill="currentColor" />}
      {progress === 'done' && <circle cx="7" cy="7" r="4" fill="currentColor" />}
      {progress === 'skipped' && <path d="M3 11 11 3" stroke="currentColor" strokeWidth="1.2" />}
    </svg>
  )
}
