package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import rovek.core.technique.vibration.Vibration;
import rovek.link.Sha256;
import rovek.link.packet.RoutePackage;

/**
 * What docs/link.md says of the line holds of both instruments there are: the stand-in, and the reference instrument in
 * another language. The commands are taken from the page's own tables.
 */
class LinkPageTest {

    private static final Path PAGE = Path.of("../docs/link.md");
    private static final String ROUTE = "ROUTES/ROUTE.zip";
    private static final String NUMBER = "-?[0-9]+(\\.[0-9]+)?(E[+-]?[0-9]+)?";
    private static final String BLOCK = "(?s)#[1-9][0-9]+.*";

    @TempDir
    Path memory;

    /** Who answers. */
    enum Who {
        STAND_IN,
        LOGGER,
        REFERENCE
    }

    /** An instrument that is switched on. */
    private record On(int port, AutoCloseable switchingOff) implements AutoCloseable {
        @Override
        public void close() throws Exception {
            switchingOff.close();
        }
    }

    private On on(Who who) throws IOException {
        if (who == Who.REFERENCE) {
            Process process = new ProcessBuilder(
                            "python3",
                            "../docs/reference-instrument/instrument.py",
                            "--memory",
                            memory.toString(),
                            "--port",
                            "0",
                            "--pass-code",
                            "4711")
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            String says = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))
                    .readLine();
            return new On(Integer.parseInt(says.replace("listening on ", "")), process::destroy);
        }
        Fieldsim fieldsim = Fieldsim.start(
                who == Who.LOGGER ? Fieldsim.Kind.LOGGER : Fieldsim.Kind.VIBRATION,
                "",
                memory,
                0,
                0,
                Clock.systemUTC());
        return new On(fieldsim.instrumentPort(), fieldsim);
    }

    private static Wire unlocked(On instrument) throws IOException {
        Wire wire = new Wire(instrument.port());
        wire.send("SYSTem:PASSword:CENable \"4711\"");
        assertThat(wire.nextError()).isEqualTo("0,\"No error\"");
        return wire;
    }

    private static byte[] route() {
        return new RoutePackage(
                        UUID.randomUUID(),
                        "Wellfield",
                        Instant.parse("2026-11-23T09:00:00Z"),
                        List.of(new RoutePackage.RouteStop(
                                UUID.randomUUID(),
                                "P-101",
                                "Well pump 1",
                                "Drive end",
                                "Velocity",
                                "vibration",
                                new Vibration().defaults())))
                .pack();
    }

    private static void load(Wire wire, byte[] route) throws IOException {
        ByteArrayOutputStream command = new ByteArrayOutputStream();
        String length = String.valueOf(route.length);
        command.writeBytes(
                ("MMEMory:DATA \"" + ROUTE + "\",#" + length.length() + length).getBytes(StandardCharsets.US_ASCII));
        command.writeBytes(route);
        command.write('\n');
        wire.send(command.toByteArray());
        assertThat(wire.nextError()).isEqualTo("0,\"No error\"");
    }

    /** Every command of the page's tables, as it is written there. */
    private static TreeSet<String> commandsOfThePage() throws IOException {
        TreeSet<String> commands = new TreeSet<>();
        for (String line : Files.readAllLines(PAGE)) {
            if (line.startsWith("| `")) {
                Matcher one = Pattern.compile("`([^`]+)`").matcher(line.split(" \\| ")[0]);
                while (one.find()) {
                    commands.add(one.group(1).split(" ")[0]);
                }
            }
        }
        return commands;
    }

    /** What is asked of whom by each command, and what the answer looks like; blank where there is none. */
    private static Map<String, String[]> asked() {
        Map<String, String[]> asked = new HashMap<>();
        asked.put("SYSTem:PASSword:CENable", new String[] {" \"4711\"", ""});
        asked.put("*IDN?", new String[] {"", "[^,]+,[^,]+,[^,]+,[^,]+"});
        asked.put("*OPT?", new String[] {"", "\"[A-Z0-9]+(:[0-9]+)?(,[A-Z0-9]+(:[0-9]+)?)*\""});
        asked.put("SYSTem:ERRor?", new String[] {"", "0,\"No error\""});
        asked.put("SYSTem:DATE", new String[] {" 2026,11,24", ""});
        asked.put("SYSTem:DATE?", new String[] {"", "[0-9]{4},[0-9]{1,2},[0-9]{1,2}"});
        asked.put("SYSTem:TIME", new String[] {" 10,20,30", ""});
        asked.put("SYSTem:TIME?", new String[] {"", "[0-9]{1,2},[0-9]{1,2},[0-9]{1,2}"});
        asked.put(
                "MMEMory:CATalog?",
                new String[] {"", "[0-9]+,[0-9]+(,\"[A-Z]+/[A-Za-z0-9._-]+\\.zip,[A-Z]+,[0-9]+\")+"});
        asked.put("MMEMory:DATA", new String[] {"", null});
        asked.put("MMEMory:DATA?", new String[] {" \"" + ROUTE + "\"", BLOCK});
        asked.put("MMEMory:DELete", new String[] {"", null});
        asked.put("ROVek:FILE:SLICe?", new String[] {" \"" + ROUTE + "\",0,16", "(?s)#216.{16}"});
        asked.put("ROVek:FILE:DIGest?", new String[] {" \"" + ROUTE + "\"", "\"[0-9a-f]{64}\""});
        asked.put("ROVek:BATTery?", new String[] {"", NUMBER});
        asked.put("ROVek:TEMPerature?", new String[] {"", NUMBER});
        asked.put("ROVek:FIRMware:BEGin", new String[] {" \"" + Sha256.of(new byte[] {1, 2, 3}) + "\",3", ""});
        asked.put("ROVek:FIRMware:DATA", new String[] {" 0,#13\u0001\u0002\u0003", ""});
        asked.put("ROVek:FIRMware:STATe?", new String[] {"", "\"[0-9a-f]{0,64}\",[0-9]+,\"(READY|INSTALLING)\""});
        asked.put("ROVek:FIRMware:INSTall", new String[] {"", null});
        asked.put("ROVek:CALibration:DATE?", new String[] {"", "\"([0-9]{4}-[0-9]{2}-[0-9]{2})?\""});
        asked.put("ROVek:CALibration:DUE?", new String[] {"", "\"([0-9]{4}-[0-9]{2}-[0-9]{2})?\""});
        asked.put("ROVek:LIVE:CHANnels?", new String[] {"", "\"[^\"]+\",\"[^\"]*\"(,\"[^\"]+\",\"[^\"]*\")*"});
        asked.put("FETCh?", new String[] {"", NUMBER + "(," + NUMBER + ")*"});
        asked.put("INITiate", new String[] {"", ""});
        asked.put("STATus:OPERation:CONDition?", new String[] {"", "[0-9]+"});
        asked.put("ABORt", new String[] {"", ""});
        asked.put("ROVek:OPTion:AVAilable?", new String[] {"", "\"([A-Z0-9]+(,[A-Z0-9]+)*)?\""});
        return asked;
    }

    /** A maker may leave out what his instrument has not; the page says how it answers then. */
    private static boolean mayBeLeftOut(String command) {
        return Stream.of("TEMP", "FIRM", "LIVE", "FETC", "INIT", "ABOR", "STAT", "OPT")
                        .anyMatch(part -> command.toUpperCase(Locale.ROOT).contains(part))
                && !command.equals("*OPT?");
    }

    @ParameterizedTest
    @EnumSource(Who.class)
    void everyCommandOfThePageIsAnsweredAsThePageSays(Who who) throws Exception {
        Map<String, String[]> asked = asked();
        assertThat(commandsOfThePage()).as("each is tried").isEqualTo(new TreeSet<>(asked.keySet()));
        List<String> leftOut = new ArrayList<>();
        try (On instrument = on(who);
                Wire wire = unlocked(instrument)) {
            load(wire, route());
            for (String command : asked.keySet().stream().sorted(inTurn()).toList()) {
                String[] expected = asked.get(command);
                if (expected[1] == null) {
                    continue;
                }
                String answer = "";
                if (command.endsWith("?")) {
                    answer = wire.ask(command + expected[0]);
                } else {
                    wire.send(command + expected[0]);
                }
                String error = command.equals("SYSTem:ERRor?") ? "0," : wire.nextError();
                if (error.startsWith("-113") && mayBeLeftOut(command)) {
                    assertThat(answer).as(command).isEqualTo(command.endsWith("?") ? "\"\"" : "");
                    leftOut.add(command);
                    continue;
                }
                if (!error.startsWith("0,")) {
                    // What this one cannot do it says, and answers all the same.
                    assertThat(mayBeLeftOut(command)).as(command + ": " + error).isTrue();
                    leftOut.add(command);
                    continue;
                }
                assertThat(answer).as(command).matches(expected[1]);
            }
            wire.send("MMEMory:DELete \"RESULTS/nothing.zip\"");
            assertThat(wire.nextError()).as("no such file").startsWith("-256,");
            assertThat(wire.ask("MMEMory:DATA? \"RESULTS/nothing.zip\"")).isEqualTo("\"\"");
            assertThat(wire.nextError()).as("no such file").startsWith("-256,");
        }
        if (who == Who.LOGGER) {
            assertThat(leftOut).as("a logger has them all").isEmpty();
        }
    }

    /** What is begun comes before the question how it goes. */
    private static Comparator<String> inTurn() {
        List<String> order = List.of(
                "ROVek:FIRMware:BEGin",
                "ROVek:FIRMware:DATA",
                "ROVek:FIRMware:STATe?",
                "INITiate",
                "STATus:OPERation:CONDition?",
                "ABORt");
        return Comparator.<String>comparingInt(order::indexOf).thenComparing(Comparator.naturalOrder());
    }

    @ParameterizedTest
    @EnumSource(Who.class)
    void beforeThePassCodeEverythingIsRefusedButTheQuestionForTheReason(Who who) throws Exception {
        try (On instrument = on(who);
                Wire wire = new Wire(instrument.port())) {
            assertThat(wire.nextError()).isEqualTo("0,\"No error\"");
            for (String query : List.of(
                    "*IDN?",
                    "*OPT?",
                    "MMEMory:CATalog?",
                    "MMEMory:DATA? \"" + ROUTE + "\"",
                    "ROVek:FILE:SLICe? \"" + ROUTE + "\",0,1",
                    "SYSTem:DATE?",
                    "ROVek:BATTery?")) {
                assertThat(wire.ask(query)).as(query).isEqualTo("\"\"");
                assertThat(wire.nextError()).as(query).startsWith("-203,\"");
            }
            wire.send("SYSTem:PASSword:CENable \"1\"");
            assertThat(wire.nextError()).startsWith("-203,");
            assertThat(wire.ask("*IDN?")).isEqualTo("\"\"");
        }
    }

    @ParameterizedTest
    @EnumSource(Who.class)
    void headersAreShortOrLongInAnyCaseAndQuotesInsideAreDoubled(Who who) throws Exception {
        try (On instrument = on(who);
                Wire wire = unlocked(instrument)) {
            load(wire, route());
            String catalogue = wire.ask("MMEM:CAT?");
            for (String header :
                    List.of("MMEMory:CATalog?", "mmemory:catalog?", "mmem:catalog?", "MMEMORY:cat?", ":MMEM:CAT?")) {
                assertThat(wire.ask(header)).as(header).isEqualTo(catalogue);
                assertThat(wire.nextError()).startsWith("0,");
            }
            assertThat(wire.ask("MMEM:DATA? \"a\"\"b.zip\"")).isEqualTo("\"\"");
            assertThat(wire.nextError()).startsWith("-256,");
        }
    }

    @ParameterizedTest
    @EnumSource(Who.class)
    void filesTravelInBlocksAndInPartsOfThem(Who who) throws Exception {
        byte[] route = route();
        try (On instrument = on(who);
                Wire wire = unlocked(instrument)) {
            load(wire, route);
            assertThat(wire.ask("ROVek:FILE:DIGest? \"" + ROUTE + "\"")).isEqualTo("\"" + Sha256.of(route) + "\"");
            String length = String.valueOf(route.length);
            String whole = wire.ask("MMEMory:DATA? \"" + ROUTE + "\"");
            assertThat(whole)
                    .isEqualTo("#" + length.length() + length + new String(route, StandardCharsets.ISO_8859_1));
            StringBuilder parts = new StringBuilder();
            for (int at = 0; at < route.length; at += 300) {
                String part = wire.ask("ROVek:FILE:SLICe? \"" + ROUTE + "\"," + at + ",300");
                int digits = part.charAt(1) - '0';
                assertThat(Integer.parseInt(part.substring(2, 2 + digits)))
                        .as("fewer come only at its end")
                        .isEqualTo(Math.min(300, route.length - at));
                parts.append(part.substring(2 + digits));
            }
            assertThat(parts.toString()).isEqualTo(new String(route, StandardCharsets.ISO_8859_1));
            assertThat(wire.ask("ROVek:FILE:SLICe? \"" + ROUTE + "\"," + route.length + ",300"))
                    .isEqualTo("#10");
        }
    }

    /** A line that never ends, a block longer than any may be. */
    @ParameterizedTest
    @EnumSource(Who.class)
    void whatIsLongerThanAnythingMayBeEndsTheConversationAndNoOther(Who who) throws Exception {
        try (On instrument = on(who)) {
            try (Wire endless = unlocked(instrument)) {
                try {
                    byte[] some = "x".repeat(1 << 16).getBytes(StandardCharsets.US_ASCII);
                    for (int i = 0; i < 40; i++) {
                        endless.send(some);
                    }
                    assertThat(endless.isHungUp()).isTrue();
                } catch (IOException hungUp) {
                    assertThat(hungUp).isInstanceOf(java.net.SocketException.class);
                }
            }
            try (Wire next = unlocked(instrument)) {
                assertThat(next.ask("*IDN?")).contains(",");
            }
        }
    }

    /** Each conversation has its own pass code and its own queue. */
    @ParameterizedTest
    @EnumSource(Who.class)
    void eachConnectionIsAConversationOfItsOwn(Who who) throws Exception {
        try (On instrument = on(who)) {
            try (Wire first = unlocked(instrument)) {
                assertThat(first.ask("MMEMory:DATA? \"nothing\"")).isEqualTo("\"\"");
            }
            try (Wire second = new Wire(instrument.port())) {
                assertThat(second.nextError())
                        .as("the former one's errors are its own")
                        .startsWith("0,");
                assertThat(second.ask("*IDN?")).isEqualTo("\"\"");
                assertThat(second.nextError()).startsWith("-203,");
            }
        }
    }

    /** What the page says of words and files that it names. */
    @Test
    void theWordsOfOptionsAndOfKindsAreThoseThatStandInsUse() throws Exception {
        String page = Files.readString(PAGE);
        Matcher types = Pattern.compile("types ((?:`[A-Z]+`(?:, )?)+)").matcher(page);
        assertThat(types.find()).isTrue();
        List<String> known = Pattern.compile("`([A-Z]+)`")
                .matcher(types.group(1))
                .results()
                .map(one -> one.group(1))
                .toList();
        try (On instrument = on(Who.STAND_IN);
                Wire wire = unlocked(instrument)) {
            load(wire, route());
            Matcher listed = Pattern.compile(",([A-Z]+),[0-9]+\"").matcher(wire.ask("MMEMory:CATalog?"));
            while (listed.find()) {
                assertThat(known).contains(listed.group(1));
            }
        }
        Optional<String> options = Optional.empty();
        try (On instrument = on(Who.LOGGER);
                Wire wire = unlocked(instrument)) {
            options = Optional.of(wire.ask("*OPT?"));
        }
        for (String word : options.orElseThrow().replace("\"", "").split(",")) {
            String name = word.replaceAll(":.*", "");
            boolean isTechnique = Files.readString(Path.of("../docs/field-package/techniques.md"))
                    .toUpperCase(Locale.ROOT)
                    .contains("## " + name + ":");
            assertThat(isTechnique || page.contains("`" + name + "`")).as(name).isTrue();
        }
    }
}
