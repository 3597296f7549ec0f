package rovek.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The simulated instrument as a process of its own. */
record StandInProcess(Process process, int instrumentPort, int panelPort) implements AutoCloseable {

    private static final Pattern SAID = Pattern.compile(".* instrument (\\d+) panel (\\d+)");

    static StandInProcess start(Path memory) throws IOException {
        Process process = new ProcessBuilder(
                        System.getProperty("java.home") + "/bin/java",
                        "-Xmx1g",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "rovek.fieldsim.Fieldsim",
                        "kind=vibration;memory=" + memory)
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        BufferedReader out = new BufferedReader(new InputStreamReader(process.getInputStream()));
        for (String line = out.readLine(); line != null; line = out.readLine()) {
            Matcher said = SAID.matcher(line);
            if (said.matches()) {
                return new StandInProcess(process, Integer.parseInt(said.group(1)), Integer.parseInt(said.group(2)));
            }
        }
        throw new IOException("The stand-in did not start.");
    }

    @Override
    public void close() {
        process.destroy();
    }
}
