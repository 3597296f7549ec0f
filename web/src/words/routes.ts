/** Wording of the routes' room. */
export const routes = {
  say: (n: number) =>
    n === 0 ? 'No route yet. Choose checks and give it a name.' : 'Choose what to walk, in which order.',
  new: 'New route',
  name: 'Name of the route',
  choose: 'Choose checks',
  walk: 'The walk',
  stops: (n: number) => (n === 1 ? '1 stop' : `${n} stops`),
  needs: (minutes: string, size: string) => `about ${minutes}, ${size} of memory`,
  save: 'Save route',
  saved: 'Route saved.',
  unsaved: 'Not saved yet.',
  instruction: 'Instruction',
  late: (days: number) => (days === 1 ? '1 day late' : `${days} days late`),
  due: (on: string) => `due ${on}`,
  measuredTime: ', as past walks took',
  usualTime: ', by usual times',
  revision: (n: number) => `Revision ${n}.`,
  held: (revision: number) => `It holds revision ${revision}, the present one.`,
  heldChanged: (revision: number, changes: string) => `It holds revision ${revision}; since then ${changes}.`,
  terms: {
    every: 'Every',
    days: 'days',
    first: 'first on',
    who: 'for',
    nobody: '(nobody in particular)',
  },
  up: 'Earlier',
  down: 'Later',
  drop: 'Take out',
  fit: 'Who can take it',
  askFit: 'Ask the instrument',
  outcome: {
    WHOLE: 'It fits.',
    TWO_LOADS: 'It fits in two loads, one after the other.',
    CANNOT: 'It cannot take all of it.',
  },
  splitLoads: 'Split in two',
  splitRest: 'Split off the rest',
  split: (first: string, second: string) => `Split into ${first} and ${second}.`,
  load: 'Load it',
  gone: (n: number) => `${n} of its checks were removed from the plant since.`,
  empty: 'Tick checks on the left. They are walked from top to bottom.',
  remove: 'Remove route',
  removed: (name: string) => `${name} is off the list.`,
  backAgain: 'The route is back.',
  photo: 'Picture',
  photoTitle: (place: string) => `What is shown at ${place}`,
  photoNone: 'Nothing is shown',
  photosForAll: 'Pictures for all',
  photosSet: (n: number) =>
    n === 0
      ? 'None of the points is marked on a picture yet. Mark them in Plant.'
      : n === 1
        ? '1 stop shows its picture now.'
        : `${n} stops show their picture now.`,
  shortest: 'Shortest walk',
  shortestTitle: 'The shortest walk',
  shortestSay:
    'The areas are walked from top to bottom; within each, every machine is come to once, in the order of the plant.',
  shortestGain: (before: number, after: number) =>
    before === after
      ? `You come to ${after} ${after === 1 ? 'machine' : 'machines'}, as now.`
      : `You come ${after} times to a machine instead of ${before} times.`,
  shortestDo: 'Put in this order',
  keys: 'Alt ↑ ↓ moves a stop',
  share: 'Share it between two',
  shareWith: 'and',
  shareTakes: (model: string, stops: number) => `${model} takes ${stops === 1 ? '1 stop' : `${stops} stops`}`,
  shareLeft: (n: number) => (n === 1 ? '1 stop neither can take' : `${n} stops neither can take`),
  shareDo: 'Split it so',
  skipReasons: 'Why a stop may be skipped',
  skipReasonsSay: 'One reason a line. They go along with every route that is loaded.',
  skipReasonsSaved: 'Reasons saved.',
} as const
