package rovek.core.route;

import rovek.core.technique.StopDemand;

/**
 * One place in the walking order, as far as planning needs it.
 *
 * @param place how the stop is called, e.g. "P-101 Drive end"
 * @param asset which asset it belongs to, whatever tells them apart
 * @param technique id of the technique
 * @param sensor tag of the sensor it is measured with; blank where any will do
 */
public record PlannedStop(String place, String asset, String technique, String sensor, StopDemand demand) {}
