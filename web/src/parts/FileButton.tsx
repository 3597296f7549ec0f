import { useRef } from 'react'
import { Button } from './Button'

interface Props {
  /** What the button says. */
  text: string
  /** What the file field is called, for whoever does not see the button. */
  label: string
  accept: string
  disabled: boolean
  onFile: (file: File) => void
}

/** A button that asks for a file; the same file can be chosen again at once. */
export function FileButton({ text, label, accept, disabled, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) onFile(file)
          event.target.value = ''
        }}
      />
      <Button disabled={disabled} onClick={() => input.current?.click()}>
        {text}
      </Button>
    </>
  )
}
