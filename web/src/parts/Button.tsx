import type { ButtonHTMLAttributes } from 'react'

type Kind = 'main' | 'second' | 'quiet'

const looks: Record<Kind, string> = {
  main: 'border border-plum bg-plum px-3.5 py-1 font-semibold text-onplum hover:opacity-90',
  second: 'border border-plum bg-paper px-3.5 py-1 font-semibold text-plum hover:bg-wash',
  quiet: 'font-semibold text-plum underline-offset-2 hover:underline',
}

export function Button({
  kind = 'quiet',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: Kind }) {
  return (
    <button
      type="button"
      className={`cursor-pointer whitespace-nowrap disabled:cursor-default disabled:opacity-45 ${looks[kind]} ${className}`}
      {...rest}
    />
  )
}
