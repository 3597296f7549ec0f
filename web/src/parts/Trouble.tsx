/** What failed and what to do, said where it happened. */
export function Trouble({ error }: { error: Error | null | undefined }) {
  if (!error) return null
  return (
    <p role="alert" className="my-2 border-l-[3px] border-fail bg-sheet px-3 py-1.5">
      {error.message}
    </p>
  )
}
