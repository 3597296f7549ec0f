package rovek.bench;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A table of ten, and of fifty thousand rows taken into an empty plant, with ten thousand machines in one area: five
 * times as many rows may take about five times as long.
 */
final class ImportBench {

    private static final Pattern DIGEST = Pattern.compile("\"digest\":\"([0-9a-f]{64})\"");
    private static final int MOST_TRIES = 120;
    private static final int WANTED_SECONDS = 20;

    /** @return what was measured, a line each */
    List<String> run() throws Exception {
        return new ServerRun().measure(database -> {}, this::measure);
    }

    private List<String> measure(ServerRun.Running running) throws Exception {
        Person person = new Person(running.address());
        for (int i = 0;
                i < MOST_TRIES && person.signIn("bench", ServerRun.PASSWORD).status() != 200;
                i++) {
            Thread.sleep(500);
        }
        List<String> lines = new ArrayList<>();
        double few = taken(person, lines, 1, 10_000, 0);
        double many = taken(person, lines, 2, 10_000, 4);
        lines.add("  five times the rows took %.1f times as long (wanted: 50,000 rows within %d s)"
                .formatted(many / few, WANTED_SECONDS));
        lines.add("  server: heap limit 768 MB, largest resident size %d MB"
                .formatted(ServerRun.peakMegabytes(running.process())));
        return lines;
    }

    /** @return seconds from sending the table for good to its being in the plant */
    private static double taken(Person person, List<String> lines, int client, int machines, int points)
            throws Exception {
        byte[] table = table(client, machines, points);
        int rows = 3 + machines * (1 + points);
        long began = System.nanoTime();
        Person.Answer seen = person.sendFile("/api/plant/import/preview", table);
        double previewed = (System.nanoTime() - began) / 1e9;
        Matcher digest = DIGEST.matcher(seen.body());
        if (!digest.find()) {
            throw new IllegalStateException(seen.toString());
        }
        began = System.nanoTime();
        Person.Answer taken = person.sendFile(
                "/api/plant/import?changeId=" + UUID.randomUUID() + "&digest=" + digest.group(1), table);
        double seconds = (System.nanoTime() - began) / 1e9;
        if (taken.status() != 200) {
            throw new IllegalStateException(taken.toString());
        }
        lines.add("%,d rows: shown in %.1f s, taken in %.1f s".formatted(rows, previewed, seconds));
        return seconds;
    }

    private static byte[] table(int client, int machines, int points) {
        StringBuilder text = new StringBuilder("path,level,tag,name\n");
        String top = "Client " + client;
        text.append(",CLIENT,,")
                .append(top)
                .append('\n')
                .append(top)
                .append(",SITE,,Works\n")
                .append(top)
                .append(" / Works,AREA,,Hall\n");
        for (int i = 1; i <= machines; i++) {
            text.append("%s / Works / Hall,ASSET,P-%d,Pump %d\n".formatted(top, i, i));
            for (int p = 1; p <= points; p++) {
                text.append("%s / Works / Hall / P-%d,POINT,,Point %d\n".formatted(top, i, p));
            }
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** A form with one file (RFC 7578). */
    static byte[] form(String boundary, byte[] file) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(file.length + 300);
        out.writeBytes(
                "--%s\r\nContent-Disposition: form-data; name=\"file\"; filename=\"plant.csv\"\r\nContent-Type: text/csv\r\n\r\n"
                        .formatted(boundary)
                        .getBytes(StandardCharsets.UTF_8));
        out.writeBytes(file);
        out.writeBytes("\r\n--%s--\r\n".formatted(boundary).getBytes(StandardCharsets.UTF_8));
        return out.toByteArray();
    }
}
