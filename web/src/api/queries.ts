import { house } from './queries/house'
import { instruments } from './queries/instruments'
import { limits } from './queries/limits'
import { plans } from './queries/plans'
import { plant } from './queries/plant'
import { readings } from './queries/readings'
import { visits } from './queries/visits'

/** Everything read from the server, each with its key. */
export const queries = { ...plant, ...plans, ...limits, ...readings, ...visits, ...instruments, ...house }
