package rovek.server.instruments.instrument;

import com.fazecast.jSerialComm.SerialPort;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import rovek.core.wording.Sentence;
import rovek.link.InstrumentAddress;
import rovek.server.base.problem.DomainProblem;

/**
 * Where instruments are looked for, and where they may be. Lines and folders are of the server, not of the browser:
 * only those that the server's keeper allows are opened.
 */
@Service
class ConnectionPolicy {

    private static final int USUAL_BAUD = 115_200;
    private static final int MOST_DRIVES = 100;

    private final AllowedTargets targets;
    private final List<String> addresses;
    private final List<String> lines;
    private final List<Path> roots;

    ConnectionPolicy(
            AllowedTargets targets,
            @Value("${rovek.find.addresses:}") List<String> addresses,
            @Value("${rovek.find.lines:}") List<String> lines,
            @Value("${rovek.find.folders:}") List<String> folders) {
        this.targets = targets;
        this.addresses = List.copyOf(addresses);
        this.lines = List.copyOf(lines);
        this.roots = folders.stream()
                .map(folder -> Path.of(folder).toAbsolutePath().normalize())
                .toList();
    }

    /**
     * What to connect to for it: asked again for every link, as a name or a folder may lead elsewhere today.
     *
     * @throws DomainProblem.Invalid where the server may not go there, or there can be no such place
     */
    InstrumentAddress address(Reach reach) {
        InstrumentAddress address = reach.address();
        switch (reach.kind()) {
            case NETWORK -> {
                return new InstrumentAddress.Network(targets.resolved(reach.place(), reach.number()), reach.number());
            }
            case LINE -> {
                if (!lines().contains(reach.place())) {
                    throw new DomainProblem.Invalid(
                            "place",
                            Sentence.of(
                                    "instruments.noSerialLine",
                                    "line",
                                    reach.place(),
                                    "lines",
                                    lines().isEmpty()
                                            ? Sentence.of("instruments.noLines")
                                            : String.join(", ", lines())));
                }
            }
            case FOLDER -> {
                if (!isBelowARoot(Path.of(reach.place()))) {
                    throw new DomainProblem.Invalid(
                            "place",
                            roots.isEmpty()
                                    ? Sentence.of("instruments.noFolders")
                                    : Sentence.of("instruments.otherFolder", "folders", roots));
                }
            }
        }
        return address;
    }

    /** Where it really lies, whatever symbolic links lead there; one that is unplugged where it would lie. */
    private boolean isBelowARoot(Path folder) {
        return roots.stream().anyMatch(root -> real(folder).startsWith(real(root)));
    }

    private static Path real(Path path) {
        try {
            return path.toRealPath();
        } catch (IOException unplugged) {
            return path.toAbsolutePath().normalize();
        }
    }

    /** Serial lines of the server: those the system names and those it was told of. */
    Set<String> lines() {
        Set<String> all = new LinkedHashSet<>(lines);
        Arrays.stream(SerialPort.getCommPorts())
                .map(SerialPort::getSystemPortPath)
                .forEach(all::add);
        return all;
    }

    /**
     * Where to look without being asked: only where the keeper said, because a word sent down any serial line may move
     * a machine.
     */
    List<Reach> places() {
        List<Reach> places = new ArrayList<>();
        for (String address : addresses) {
            int colon = address.lastIndexOf(':');
            places.add(new Reach(
                    Reach.Kind.NETWORK, address.substring(0, colon), Integer.parseInt(address.substring(colon + 1))));
        }
        lines.forEach(line -> places.add(new Reach(Reach.Kind.LINE, line, USUAL_BAUD)));
        roots.forEach(root ->
                drives(root).forEach(drive -> places.add(new Reach(Reach.Kind.FOLDER, drive.toString(), 0))));
        return places;
    }

    private static List<Path> drives(Path root) {
        if (!Files.isDirectory(root)) {
            return List.of();
        }
        try (Stream<Path> inside = Files.list(root)) {
            return inside.filter(
                            folder -> Files.isRegularFile(folder.resolve("instrument.json"), LinkOption.NOFOLLOW_LINKS))
                    .limit(MOST_DRIVES)
                    .sorted()
                    .toList();
        } catch (IOException gone) {
            return List.of();
        }
    }
}
