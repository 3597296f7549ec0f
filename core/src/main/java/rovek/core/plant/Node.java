package rovek.core.plant;

import static java.util.Objects.requireNonNull;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * One row of the plant, whole: all that is said about it at its own place. What it inherits stands at the nodes above.
 *
 * @param parentId the node it stands in; {@link #PLANT} for a client
 * @param place order among its siblings, smaller first
 * @param tag what stands on its plate, may be blank
 * @param name may be blank where there is a tag, and for a check, which its technique then names
 * @param technique id for a check, blank otherwise
 * @param assetClass id of its class, blank where none is chosen
 * @param nameplate attribute key to value as written
 * @param settings technique id to setting key to value; only what the node itself says
 * @param limits technique id to result id to rule as written; only what the node itself says
 * @param stamp the part of a template it was stamped from
 */
public record Node(
        UUID id,
        UUID parentId,
        Level level,
        long place,
        String tag,
        String name,
        String technique,
        String assetClass,
        Map<String, String> nameplate,
        Map<String, Map<String, String>> settings,
        Map<String, Map<String, String>> limits,
        Optional<Stamp> stamp) {

    /** The plant itself, which holds the clients and is no row. */
    public static final UUID PLANT = new UUID(0, 0);

    /** Characters of a tag or a name. */
    public static final int LONGEST_NAME = 200;

    public Node {
        nameplate = Map.copyOf(nameplate);
        settings = Map.copyOf(settings);
        limits = Map.copyOf(limits);
    }

    /** A node that says nothing but what it is called. */
    public static Node of(UUID id, UUID parentId, Level level, String tag, String name) {
        return new Node(id, parentId, level, 0, tag, name, "", "", Map.of(), Map.of(), Map.of(), Optional.empty());
    }

    /** Tag and name as one label; blank for a check that its technique names. */
    public String label() {
        return (tag + " " + name).strip();
    }

    /** The label, for a sentence: a check that its technique names has none of its own. */
    public Sentence title() {
        return label().isBlank() ? Sentence.of("plant.theCheck") : Sentence.plain(label());
    }

    /** What it says about one technique's settings. */
    public Map<String, String> settingsOf(String techniqueId) {
        return settings.getOrDefault(techniqueId, Map.of());
    }

    /** What it says about one technique's results. */
    public Map<String, String> limitsOf(String techniqueId) {
        return limits.getOrDefault(techniqueId, Map.of());
    }

    public Node at(UUID newParent, long newPlace) {
        return new Node(
                id, newParent, level, newPlace, tag, name, technique, assetClass, nameplate, settings, limits, stamp);
    }

    public Node called(String newTag, String newName) {
        return new Node(
                id, parentId, level, place, newTag, newName, technique, assetClass, nameplate, settings, limits, stamp);
    }

    /**
     * All that can change of a node, each under a key: {@code parent}, {@code place}, {@code level}, {@code tag},
     * {@code name}, {@code technique}, {@code class}, {@code stamp}, {@code nameplate.<key>},
     * {@code setting.<technique>.<key>}, {@code limit.<technique>.<result>}. What is blank is left out.
     */
    public Map<String, String> facets() {
        Map<String, String> facets = new TreeMap<>();
        facets.put(Facet.PARENT, parentId.toString());
        facets.put(Facet.PLACE, String.valueOf(place));
        facets.put(Facet.LEVEL, level.name());
        put(facets, Facet.TAG, tag);
        put(facets, Facet.NAME, name);
        put(facets, Facet.TECHNIQUE, technique);
        put(facets, Facet.CLASS, assetClass);
        stamp.ifPresent(from -> facets.put(Facet.STAMP, from.toString()));
        nameplate.forEach((key, value) -> put(facets, Facet.nameplate(key), value));
        settings.forEach((of, values) -> values.forEach((key, value) -> put(facets, Facet.setting(of, key), value)));
        limits.forEach((of, rules) -> rules.forEach((result, rule) -> put(facets, Facet.limit(of, result), rule)));
        return facets;
    }

    /** The node with some facets said otherwise; a blank one is taken away. */
    public Node saying(Map<String, String> wanted) {
        Map<String, String> facets = facets();
        wanted.forEach((key, value) -> {
            if (value.isEmpty()) {
                facets.remove(key);
            } else {
                facets.put(key, value);
            }
        });
        return of(id, facets);
    }

    private static void put(Map<String, String> facets, String key, String value) {
        if (!value.isEmpty()) {
            facets.put(key, value);
        }
    }

    /**
     * The node that these facets describe.
     *
     * @throws IllegalArgumentException for a key that is none, or a value that its facet does not take
     */
    public static Node of(UUID id, Map<String, String> facets) {
        Map<String, String> nameplate = new LinkedHashMap<>();
        Map<String, Map<String, String>> settings = new LinkedHashMap<>();
        Map<String, Map<String, String>> limits = new LinkedHashMap<>();
        facets.forEach((key, value) -> {
            if (key.startsWith(Facet.NAMEPLATE)) {
                nameplate.put(key.substring(Facet.NAMEPLATE.length()), value);
            } else if (key.startsWith(Facet.SETTING)) {
                putNested(settings, key.substring(Facet.SETTING.length()), value);
            } else if (key.startsWith(Facet.LIMIT)) {
                putNested(limits, key.substring(Facet.LIMIT.length()), value);
            } else if (!Facet.PLAIN.contains(key)) {
                throw new Refused(Sentence.of("plant.noFacet", "facet", key));
            }
        });
        return new Node(
                id,
                UUID.fromString(facets.getOrDefault(Facet.PARENT, PLANT.toString())),
                Level.valueOf(requireNonNull(facets.get(Facet.LEVEL))),
                Long.parseLong(facets.getOrDefault(Facet.PLACE, "0")),
                facets.getOrDefault(Facet.TAG, ""),
                facets.getOrDefault(Facet.NAME, ""),
                facets.getOrDefault(Facet.TECHNIQUE, ""),
                facets.getOrDefault(Facet.CLASS, ""),
                nameplate,
                settings,
                limits,
                Optional.ofNullable(facets.get(Facet.STAMP)).map(Stamp::parse));
    }

    private static void putNested(Map<String, Map<String, String>> values, String key, String value) {
        String[] parts = key.split("\\.", 2);
        if (parts.length < 2) {
            throw new Refused(Sentence.of("plant.noTechniqueNamed", "technique", key));
        }
        values.computeIfAbsent(parts[0], none -> new LinkedHashMap<>()).put(parts[1], value);
    }
}
