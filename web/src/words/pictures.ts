/** Wording of pictures of what stands in the plant. */
export const pictures = {
  add: 'Add a picture',
  choose: 'Choose a picture',
  open: (title: string) => `Open picture ${title}`.trim(),
  untitled: 'Picture',
  title: 'What it shows',
  points: 'Points on it',
  mark: 'mark it',
  markAgain: 'mark it anew',
  unmark: 'take the mark off',
  markHere: 'Mark the point here',
  marking: (point: string) => `Click where ${point} is. The arrow keys move a mark.`,
  none: 'There are no points beneath it yet.',
  remove: 'Remove picture',
  removed: 'Picture removed.',
  by: (who: string, when: string) => `by ${who}, ${when}`,
  notRead: 'This file cannot be read as a picture. Choose a PNG or JPEG file.',
} as const
