package rovek.core.route;

import rovek.core.technique.StopDemand;

/**
 * One place in the walking order, as far as planning needs it.
 *
 * @param place how the stop is called, e.g. "P-101 Drive end"
 * @param asset which asset it belongs to, whatever tells them apart
 * @param technique id of the technique
 * @param byHand whether a person can write its reading down without any instrument
 * @param sensor tag of the sensor it is measured with; blank where any will do
 */
public record PlannedStop(
        String place, String asset, String technique, boolean byHand, String sensor, StopDemand demand) {

    /** Whether it is left to the person, because the instrument does not know how to ask for it. */
    public boolean isWrittenBeside(InstrumentProfile instrument) {
        return byHand && !instrument.techniques().contains(technique);
    }
}
