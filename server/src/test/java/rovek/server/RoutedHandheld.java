package rovek.server;

import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import rovek.fieldsim.Fieldsim;

/**
 * A connected handheld of its own serial number with a route of four checks on one pump, loaded or not.
 *
 * @param tag of the pump
 */
record RoutedHandheld(FieldDay field, String instrument, String tag, List<String> checks, String route)
        implements AutoCloseable {

    static RoutedHandheld connect(Caller caller, Path memory) {
        SmallPlant plant = new SmallPlant(caller);
        FieldDay field = new FieldDay(Fieldsim.Kind.VIBRATION, UUID.randomUUID().toString(), memory);
        String tag = "P-" + UUID.randomUUID().toString().substring(0, 8);
        List<String> checks = plant.pump(tag);
        return new RoutedHandheld(field, field.connect(caller), tag, checks, plant.route(checks));
    }

    @Override
    public void close() {
        field.close();
    }
}
