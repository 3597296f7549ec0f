package rovek.link.packet;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What stands first in a field package: who made it, when, and every other entry with its size and SHA-256.
 *
 * @param kind {@code route}, {@code setup}, {@code readings} or {@code firmware}
 * @param createdAt by the maker's clock
 * @param entries by their paths
 */
record Manifest(String kind, Instant createdAt, Maker maker, Map<String, Listed> entries) {

    static final String PATH = "manifest.json";

    private static final String FORMAT = "rovek-field-package";
    private static final int MAJOR = 1;
    private static final String VERSION = MAJOR + ".0";

    /**
     * An entry as it is listed.
     *
     * @param size in bytes
     * @param sha256 in hexadecimal
     */
    record Listed(long size, String sha256) {

        boolean agreesWith(byte[] bytes) {
            return bytes.length == size && Sha256.of(bytes).equals(sha256);
        }
    }

    static byte[] written(String kind, Instant createdAt, Maker maker, Map<String, byte[]> entries) {
        ObjectNode manifest = Schemas.PUBLISHED.json().createObjectNode();
        manifest.put("format", FORMAT).put("version", VERSION).put("kind", kind).put("createdAt", createdAt.toString());
        ObjectNode madeBy = manifest.putObject("madeBy").put("program", maker.program());
        maker.instrument()
                .ifPresent(instrument -> madeBy.put("maker", instrument.maker())
                        .put("model", instrument.model())
                        .put("serial", instrument.serial())
                        .put("firmware", instrument.firmware()));
        var list = manifest.putArray("entries");
        entries.forEach((path, bytes) ->
                list.addObject().put("path", path).put("size", bytes.length).put("sha256", Sha256.of(bytes)));
        return Schemas.PUBLISHED.json().writeValueAsBytes(manifest);
    }

    static Manifest parse(byte[] bytes) throws PackageException {
        refuseForeignOrNewer(Schemas.PUBLISHED.parse(bytes, PATH));
        JsonNode manifest = Schemas.PUBLISHED.manifest(bytes);
        Map<String, Listed> entries = new LinkedHashMap<>();
        for (JsonNode entry : manifest.get("entries")) {
            entries.put(
                    entry.get("path").stringValue(),
                    new Listed(
                            entry.get("size").longValue(), entry.get("sha256").stringValue()));
        }
        return new Manifest(
                manifest.get("kind").stringValue(),
                Times.instant(manifest.get("createdAt").stringValue(), PATH),
                maker(manifest.get("madeBy")),
                entries);
    }

    private static void refuseForeignOrNewer(JsonNode manifest) throws PackageException {
        if (!FORMAT.equals(manifest.path("format").asString(""))) {
            throw PackageException.foreign(Sentence.of("packet.otherFormat"));
        }
        String version = manifest.path("version").asString("");
        int dot = version.indexOf('.');
        try {
            if (Integer.parseInt(dot < 0 ? version : version.substring(0, dot)) > MAJOR) {
                throw PackageException.tooNew(version);
            }
        } catch (NumberFormatException e) {
            throw PackageException.foreign(Sentence.of("packet.versionIs", "version", version));
        }
    }

    private static Maker maker(JsonNode madeBy) {
        Maker.MakingInstrument named = new Maker.MakingInstrument(
                madeBy.path("maker").asString(""),
                madeBy.path("model").asString(""),
                madeBy.path("serial").asString(""),
                madeBy.path("firmware").asString(""));
        Optional<Maker.MakingInstrument> instrument = Optional.of(named)
                .filter(one -> !one.model().isEmpty() || !one.serial().isEmpty());
        return new Maker(madeBy.get("program").stringValue(), instrument);
    }
}
