package rovek.server;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/** Backup and restore as whoever keeps the server runs them. */
final class BackupScript {

    private BackupScript() {}

    /**
     * @param command {@code backup} or {@code restore}
     * @return what it says
     */
    static String run(TestDatabase database, String command, Path file) throws IOException {
        ProcessBuilder script =
                new ProcessBuilder("bash", "../rovek", command, file.toString()).redirectErrorStream(true);
        script.environment().put("ROVEK_BACKUP_DB", database.url().replaceFirst("jdbc:postgresql://", ""));
        script.environment().put("ROVEK_BACKUP_DB_USER", database.user());
        script.environment().put("ROVEK_BACKUP_DB_PASSWORD", database.password());
        script.environment()
                .put(
                        "ROVEK_SECRET_KEY_FILE",
                        file.resolveSibling(database.name() + ".key").toString());
        Process process = script.start();
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }
}
