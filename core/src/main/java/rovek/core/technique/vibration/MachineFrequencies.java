package rovek.core.technique.vibration;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import rovek.core.nameplate.AssetClasses;
import rovek.core.nameplate.Nameplate;
import rovek.core.technique.Characteristic;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;

/**
 * Frequencies at which a machine shows itself, from its nameplate: shaft speed f, rolling-bearing defects, blades, gear
 * mesh. With n rolling elements of diameter d on a pitch diameter D under the contact angle a, and the outer ring at
 * rest (ISO 15243 names the damage; the kinematics are those of any textbook on rolling bearings): outer race n/2 f (1
 * - d/D cos a), inner race n/2 f (1 + d/D cos a), rolling element D/2d f (1 - (d/D cos a)^2), cage f/2 (1 - d/D cos a).
 * A motor's magnetic forces show at twice the frequency of its supply (ISO 13373-2). What the nameplate does not say is
 * left out.
 */
final class MachineFrequencies {

    private MachineFrequencies() {}

    static List<Characteristic> of(Nameplate plate) {
        OptionalDouble rpm = plate.number(AssetClasses.SPEED_RPM);
        if (rpm.isEmpty()) {
            return List.of();
        }
        double shaftHz = rpm.getAsDouble() / 60;
        List<Characteristic> found = new ArrayList<>();
        add(found, "shaft", shaftHz);
        addBearing(found, plate, shaftHz);
        plate.number(AssetClasses.BLADES).ifPresent(blades -> add(found, "blade pass", blades * shaftHz));
        plate.number(AssetClasses.TEETH).ifPresent(teeth -> add(found, "gear mesh", teeth * shaftHz));
        plate.number(AssetClasses.SUPPLY_HZ).ifPresent(hz -> {
            add(found, "line", hz);
            add(found, "twice line", 2 * hz);
        });
        return found;
    }

    private static void addBearing(List<Characteristic> found, Nameplate plate, double shaftHz) {
        OptionalDouble elements = plate.number(AssetClasses.BEARING_BALLS);
        OptionalDouble ball = plate.number(AssetClasses.BEARING_BALL_MM);
        OptionalDouble pitch = plate.number(AssetClasses.BEARING_PITCH_MM);
        boolean isComplete = elements.isPresent()
                && ball.isPresent()
                && pitch.isPresent()
                && ball.getAsDouble() < pitch.getAsDouble();
        if (!isComplete) {
            return;
        }
        double angle =
                Math.toRadians(plate.number(AssetClasses.BEARING_ANGLE_DEG).orElse(0));
        double ratio = ball.getAsDouble() / pitch.getAsDouble() * Math.cos(angle);
        double half = elements.getAsDouble() / 2 * shaftHz;
        add(found, "outer race", half * (1 - ratio));
        add(found, "inner race", half * (1 + ratio));
        add(found, "rolling element", pitch.getAsDouble() / (2 * ball.getAsDouble()) * shaftHz * (1 - ratio * ratio));
        add(found, "cage", shaftHz / 2 * (1 - ratio));
    }

    private static void add(List<Characteristic> found, String name, double hz) {
        found.add(new Characteristic(name, new Amount(hz, UnitCatalogue.HERTZ)));
    }
}
