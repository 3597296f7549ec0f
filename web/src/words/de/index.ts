import byHand from './byHand.json'
import certificates from './certificates.json'
import common from './common.json'
import foreign from './foreign.json'
import instruments from './instruments.json'
import limits from './limits.json'
import live from './live.json'
import pictures from './pictures.json'
import plant from './plant.json'
import routes from './routes.json'
import sensors from './sensors.json'
import setup from './setup.json'
import setups from './setups.json'
import signIn from './signIn.json'
import signals from './signals.json'
import today from './today.json'
import trend from './trend.json'
import visits from './visits.json'

/** All wording in German. */
export default {
  byHand,
  certificates,
  common,
  foreign,
  instruments,
  limits,
  live,
  pictures,
  plant,
  routes,
  sensors,
  setup,
  setups,
  signIn,
  signals,
  today,
  trend,
  visits,
}
