package rovek.core.nameplate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rovek.core.entry.Entry;
import rovek.core.wording.Sentence;

/** The classes of assets Rovek knows, and every line a nameplate may have. */
public final class AssetClasses {

    public static final String POWER_KW = "powerKw";
    public static final String SPEED_RPM = "speedRpm";
    public static final String SUPPLY_HZ = "supplyHz";
    public static final String FOUNDATION = "foundation";
    public static final String RIGID = "rigid";
    public static final String FLEXIBLE = "flexible";
    public static final String BEARING_BALLS = "bearingBalls";
    public static final String BEARING_BALL_MM = "bearingBallMm";
    public static final String BEARING_PITCH_MM = "bearingPitchMm";
    public static final String BEARING_ANGLE_DEG = "bearingAngleDeg";
    public static final String BLADES = "blades";
    public static final String TEETH = "teeth";
    /** Whatever has no line of its own; for any node, whatever its class. */
    public static final String NOTE = "note";

    public static final String CRITICALITY = "criticality";
    public static final List<String> CRITICALITIES = List.of("high", "medium", "low");

    private static final List<Attribute> GENERAL = List.of(
            Attribute.text("maker", "Maker"),
            Attribute.text("type", "Type"),
            Attribute.text("serial", "Serial number"),
            Attribute.number("inServiceSince", "In service since", "", 1900, 2100),
            Attribute.choice(CRITICALITY, "Criticality", CRITICALITIES.toArray(String[]::new)),
            Attribute.text(NOTE, "Note"));

    private static final List<Attribute> ROTATING = List.of(
            Attribute.number(POWER_KW, "Power", "kW", 0.01, 100_000),
            Attribute.number(SPEED_RPM, "Speed", "rpm", 1, 100_000),
            Attribute.choice(FOUNDATION, "Foundation", RIGID, FLEXIBLE),
            Attribute.number(SUPPLY_HZ, "Supply frequency", "Hz", 1, 1_000),
            Attribute.text("bearing", "Bearing"),
            Attribute.number(BEARING_BALLS, "Rolling elements", "", 3, 200),
            Attribute.number(BEARING_BALL_MM, "Element diameter", "mm", 0.1, 500),
            Attribute.number(BEARING_PITCH_MM, "Pitch diameter", "mm", 1, 5_000),
            Attribute.number(BEARING_ANGLE_DEG, "Contact angle", "°", 0, 89));

    private static final AssetClass OTHER = new AssetClass("other", "Other", GENERAL);

    /** Name of a site's line that says in which time zone it lies. */
    public static final String TIME_ZONE = "timeZone";

    /** What is to be known of a site; no asset is of this class. */
    public static final AssetClass SITE = new AssetClass(
            "site",
            "Site",
            List.of(new Attribute(TIME_ZONE, "Time zone", "", new Entry.Zone()), Attribute.text(NOTE, "Note")));

    private static final List<AssetClass> ALL = List.of(
            of("pump", "Pump set", ROTATING, List.of(Attribute.number(BLADES, "Impeller blades", "", 1, 50))),
            of("fan", "Fan", ROTATING, List.of(Attribute.number(BLADES, "Blades", "", 1, 100))),
            of(
                    "gearbox",
                    "Gearbox drive",
                    ROTATING,
                    List.of(Attribute.number(TEETH, "Teeth on the input", "", 5, 1_000))),
            of(
                    "compressor",
                    "Compressor",
                    ROTATING,
                    List.of(
                            Attribute.number("pressureBar", "Pressure", "bar", 0, 1_000),
                            Attribute.number("specificPowerKwMin", "Specific power", "kW/(m³/min)", 0.1, 100))),
            of(
                    "transmitter",
                    "Transmitter",
                    List.of(
                            Attribute.number("rangeLow", "Lower range value", "", -1e9, 1e9),
                            Attribute.number("rangeHigh", "Upper range value", "", -1e9, 1e9),
                            Attribute.text("rangeUnit", "Unit of the range"),
                            Attribute.choice("output", "Output", "4-20 mA", "0-20 mA", "0-10 V"))),
            of(
                    "cells",
                    "Cell string",
                    List.of(
                            Attribute.number("cellCount", "Cells", "", 1, 1_000),
                            Attribute.text("cellType", "Cell type"),
                            Attribute.number("cellBaselineMilliohm", "Baseline", "mΩ", 0.001, 1_000))),
            of(
                    "solar",
                    "Roof string",
                    List.of(
                            Attribute.number("modules", "Modules in series", "", 1, 100),
                            Attribute.number("moduleIscA", "Module Isc", "A", 0.1, 100),
                            Attribute.number("moduleVocV", "Module Voc", "V", 1, 500),
                            Attribute.number("modulePmppW", "Module Pmpp", "W", 1, 2_000))),
            OTHER);

    private AssetClasses() {}

    @SafeVarargs
    private static AssetClass of(String id, String name, List<Attribute>... own) {
        List<Attribute> attributes = new ArrayList<>();
        for (List<Attribute> some : own) {
            attributes.addAll(some);
        }
        attributes.addAll(GENERAL);
        return new AssetClass(id, name, attributes);
    }

    public static List<AssetClass> all() {
        return ALL;
    }

    public static List<String> ids() {
        return ALL.stream().map(AssetClass::id).toList();
    }

    public static Optional<AssetClass> find(String id) {
        return ALL.stream().filter(one -> one.id().equals(id)).findFirst();
    }

    /** A line of any nameplate. */
    public static Optional<Attribute> attribute(String key) {
        return Stream.concat(ALL.stream(), Stream.of(SITE))
                .flatMap(one -> one.attributes().stream())
                .filter(one -> one.key().equals(key))
                .findFirst();
    }

    /** Why a nameplate's line does not take a value; a line that no class has is refused too. */
    public static Optional<Sentence> fault(String key, String value) {
        Optional<Attribute> attribute = attribute(key);
        return attribute.isPresent()
                ? attribute.get().fault(value)
                : Optional.of(Sentence.of("plant.noPlateLine", "line", key));
    }
}
