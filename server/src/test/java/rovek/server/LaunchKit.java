package rovek.server;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * What server processes are launched with. Their classes are read and prepared once, in a launch that ends in peace,
 * and kept in an archive that all later launches share (JEP 350): each of these then takes half the time.
 */
record LaunchKit(List<String> java, List<String> classes) {

    private static final List<String> USUAL = List.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-XX:TieredStopAtLevel=1",
            "-XX:+UseSerialGC",
            "-XX:+UnlockDiagnosticVMOptions",
            "-XX:-BytecodeVerificationRemote");

    static LaunchKit prepared(Path folder) throws IOException, InterruptedException {
        List<String> classes = List.of("-cp", classPath(folder), QuickRovek.class.getName());
        Path archive = folder.resolve("classes.jsa");
        try (TestDatabase database = TestDatabase.create();
                ServerProcess first = ServerProcess.start(
                        new LaunchKit(with("-XX:ArchiveClassesAtExit=" + archive), classes),
                        database,
                        folder.resolve("archiving.log"))) {
            first.end();
        }
        if (!Files.exists(archive)) {
            throw new IllegalStateException(
                    "No archive of classes came about: " + Files.readString(folder.resolve("archiving.log")));
        }
        return new LaunchKit(with("-XX:SharedArchiveFile=" + archive), classes);
    }

    private static List<String> with(String option) {
        List<String> all = new ArrayList<>(USUAL);
        all.add(option);
        return all;
    }

    List<String> command(List<String> arguments) {
        return Stream.of(java, classes, arguments).flatMap(List::stream).toList();
    }

    /** The class path of this process; an archive is of files alone, so folders are packed. */
    private static String classPath(Path folder) throws IOException {
        List<String> packed = new ArrayList<>();
        for (String entry : System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"))
                .split(File.pathSeparator)) {
            Path path = Path.of(entry);
            if (Files.isDirectory(path)) {
                Path jar = folder.resolve("classes-%d.jar".formatted(packed.size()));
                pack(path, jar);
                packed.add(jar.toString());
            } else if (Files.exists(path)) {
                packed.add(entry);
            }
        }
        return String.join(File.pathSeparator, packed);
    }

    private static void pack(Path folder, Path jar) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(jar));
                Stream<Path> all = Files.walk(folder)) {
            for (Path path : all.sorted().toList()) {
                String name = folder.relativize(path).toString().replace(File.separatorChar, '/');
                if (name.isEmpty()) {
                    continue;
                }
                // Folders, too: Spring looks for its components in what names itself a folder.
                boolean isFolder = Files.isDirectory(path);
                zip.putNextEntry(new ZipEntry(isFolder ? name + "/" : name));
                if (!isFolder) {
                    Files.copy(path, zip);
                }
                zip.closeEntry();
            }
        }
    }
}
