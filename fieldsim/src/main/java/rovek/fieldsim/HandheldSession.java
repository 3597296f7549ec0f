package rovek.fieldsim;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import rovek.link.Sha256;
import rovek.link.scpi.ProgramMessage;
import rovek.link.scpi.ProgramMessageReader;
import rovek.link.scpi.ReplyParser;
import rovek.link.scpi.ScpiError;
import rovek.link.scpi.ScpiText;

/** One conversation over the wire: commands in, answers out, faults where they were asked for. */
final class HandheldSession {

    private static final int MOST_ERRORS = 20;
    private static final int LARGEST_SLICE = 4 << 20;

    private final Handheld handheld;
    private final Faults faults;
    private final Deque<ScpiError> errors = new ArrayDeque<>();
    private boolean unlocked;

    HandheldSession(Handheld handheld, Faults faults) {
        this.handheld = handheld;
        this.faults = faults;
    }

    /** Answers until the other side ends, or a fault cuts the link. */
    void serve(InputStream in, OutputStream out) throws IOException {
        ProgramMessageReader reader = new ProgramMessageReader(in);
        for (Optional<ProgramMessage> message = reader.next(); message.isPresent(); message = reader.next()) {
            Optional<byte[]> answer = answer(message.get());
            if (answer.isPresent() && !send(out, answer.get())) {
                return;
            }
        }
    }

    /** @return whether the link still stands */
    private boolean send(OutputStream out, byte[] answer) throws IOException {
        try {
            Thread.sleep(faults.slowness().toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
        OptionalLong allowed = faults.allowance(answer.length);
        out.write(answer, 0, (int) allowed.orElse(answer.length));
        out.flush();
        return allowed.isEmpty();
    }

    private Optional<byte[]> answer(ProgramMessage message) {
        if (message.is("SYSTem:ERRor?")) {
            return line(
                    errors.isEmpty() ? ScpiError.NONE.toAnswer() : errors.poll().toAnswer());
        }
        if (message.is("SYSTem:PASSword:CENable")) {
            unlocked = message.parameter(0)
                    .filter(handheld.model().passCode()::equals)
                    .isPresent();
            return unlocked ? Optional.empty() : refuse(message, ScpiError.COMMAND_PROTECTED);
        }
        if (!unlocked) {
            return refuse(message, ScpiError.COMMAND_PROTECTED);
        }
        if (handheld.firmware().isInstalling() && !message.is("ROVek:FIRMware:STATe?")) {
            return refuse(message, ScpiError.PROGRAM_RUNNING);
        }
        if (faults.isBusy()
                && (message.header().startsWith("MMEM") || message.header().startsWith("ROVek:FILE"))) {
            return refuse(message, ScpiError.PROGRAM_RUNNING);
        }
        try {
            return message.isQuery() ? query(message) : command(message);
        } catch (FirmwareSlot.BatteryTooLow e) {
            return refuse(message, ScpiError.BATTERY_LOW);
        } catch (HandheldException full) {
            return refuse(
                    message,
                    full.isMemoryFull()
                            ? ScpiError.OUT_OF_MEMORY
                            : new ScpiError(ScpiError.ILLEGAL_PARAMETER.code(), full.getMessage()));
        } catch (IllegalArgumentException | DateTimeException e) {
            return refuse(message, ScpiError.ILLEGAL_PARAMETER);
        }
    }

    private Optional<byte[]> query(ProgramMessage message) {
        HandheldModel model = handheld.model();
        OffsetDateTime now = handheld.clock().instrumentTime().atOffset(ZoneOffset.UTC);
        if (message.is("*IDN?")) {
            return line(String.join(
                    ",",
                    model.maker(),
                    model.model(),
                    model.serial(),
                    handheld.firmware().version()));
        }
        if (message.is("*OPT?")) {
            return line(ScpiText.quote(model.options().entrySet().stream()
                    .map(option -> option.getKey() + ":" + option.getValue())
                    .collect(Collectors.joining(","))));
        }
        if (message.is("SYSTem:DATE?")) {
            return line("%d,%d,%d".formatted(now.getYear(), now.getMonthValue(), now.getDayOfMonth()));
        }
        if (message.is("SYSTem:TIME?")) {
            return line("%d,%d,%d".formatted(now.getHour(), now.getMinute(), now.getSecond()));
        }
        if (message.is("ROVek:BATTery?")) {
            return line(String.valueOf(handheld.battery()));
        }
        if (message.is("ROVek:TEMPerature?")) {
            return line(String.format(Locale.ROOT, "%.1f", handheld.temperature()));
        }
        if (message.is("ROVek:FIRMware:STATe?")) {
            FirmwareSlot firmware = handheld.firmware();
            return line("%s,%d,%s"
                    .formatted(
                            ScpiText.quote(firmware.announced()),
                            firmware.arrived(),
                            ScpiText.quote(firmware.isInstalling() ? "INSTALLING" : "READY")));
        }
        if (message.is("ROVek:OPTion:AVAilable?")) {
            return line(ScpiText.quote(String.join(",", model.availableOptions())));
        }
        if (handheld.live().isThere()) {
            Optional<byte[]> live = liveQuery(message);
            if (live.isPresent()) {
                return live;
            }
        }
        if (message.is("ROVek:CALibration:DATE?")) {
            return line(ScpiText.quote(model.calibratedOn().toString()));
        }
        if (message.is("ROVek:CALibration:DUE?")) {
            return line(ScpiText.quote(model.calibratedUntil().toString()));
        }
        if (message.is("MMEMory:CATalog?")) {
            return line(catalogue());
        }
        if (message.is("ROVek:FILE:DIGest?")) {
            Optional<byte[]> file = message.parameter(0).flatMap(handheld::file);
            return file.isPresent()
                    ? line(ScpiText.quote(Sha256.of(file.get())))
                    : refuse(message, ScpiError.FILE_NAME_NOT_FOUND);
        }
        if (message.is("MMEMory:DATA?")) {
            Optional<byte[]> file = message.parameter(0).flatMap(handheld::file);
            return file.isPresent() ? block(file.get()) : refuse(message, ScpiError.FILE_NAME_NOT_FOUND);
        }
        if (message.is("ROVek:FILE:SLICe?")) {
            return slice(message);
        }
        return refuse(message, ScpiError.UNDEFINED_HEADER);
    }

    private Optional<byte[]> liveQuery(ProgramMessage message) {
        if (message.is("ROVek:LIVE:CHANnels?")) {
            return line(handheld.live().channels(handheld.setup()).stream()
                    .map(channel -> ScpiText.quote(channel.name()) + "," + ScpiText.quote(channel.unit()))
                    .collect(Collectors.joining(",")));
        }
        if (message.is("FETCh?")) {
            return line(Arrays.stream(handheld.live()
                            .values(handheld.setup(), handheld.clock().plantTime()))
                    .mapToObj(value -> Double.isFinite(value) ? String.format(Locale.ROOT, "%.6g", value) : "9.91E37")
                    .collect(Collectors.joining(",")));
        }
        return message.is("STATus:OPERation:CONDition?")
                ? line(handheld.run().isRunning() ? "16" : "0")
                : Optional.empty();
    }

    private String catalogue() {
        StringBuilder answer =
                new StringBuilder().append(handheld.usedBytes()).append(',').append(handheld.freeBytes());
        for (Map.Entry<String, String> file : handheld.files().entrySet()) {
            long size = handheld.size(file.getKey());
            answer.append(',').append(ScpiText.quote(file.getKey() + "," + file.getValue() + "," + size));
        }
        return answer.toString();
    }

    private Optional<byte[]> slice(ProgramMessage message) {
        if (message.parameters().size() != 3) {
            return refuse(message, ScpiError.MISSING_PARAMETER);
        }
        String name = message.parameter(0).orElseThrow();
        long offset = Long.parseLong(message.parameter(1).orElseThrow());
        int count = Integer.parseInt(message.parameter(2).orElseThrow());
        if (!handheld.files().containsKey(name)) {
            return refuse(message, ScpiError.FILE_NAME_NOT_FOUND);
        }
        if (offset < 0 || count < 1 || count > LARGEST_SLICE || offset > handheld.size(name)) {
            return refuse(message, ScpiError.ILLEGAL_PARAMETER);
        }
        return block(handheld.slice(name, offset, count).orElse(new byte[0]));
    }

    private Optional<byte[]> command(ProgramMessage message) {
        if (message.is("SYSTem:DATE")) {
            LocalDate date = LocalDate.of(number(message, 0), number(message, 1), number(message, 2));
            setClock(now -> now.with(date));
            return Optional.empty();
        }
        if (message.is("SYSTem:TIME")) {
            LocalTime time = LocalTime.of(number(message, 0), number(message, 1), number(message, 2));
            setClock(now -> now.with(time));
            return Optional.empty();
        }
        if (message.is("MMEMory:DATA") && message.block().isPresent()) {
            return write(
                    message, message.parameter(0).orElse(""), message.block().get());
        }
        if (message.is("MMEMory:DELete")) {
            return message.parameter(0).filter(handheld::delete).isPresent()
                    ? Optional.empty()
                    : refuse(message, ScpiError.FILE_NAME_NOT_FOUND);
        }
        if (message.is("INITiate")) {
            handheld.run().start(handheld.setup());
            return Optional.empty();
        }
        if (message.is("ABORt")) {
            handheld.run().end();
            return Optional.empty();
        }
        if (message.is("ROVek:FIRMware:BEGin")) {
            handheld.firmware()
                    .begin(
                            message.parameter(0).orElse(""),
                            Long.parseLong(message.parameter(1).orElse("")),
                            handheld.freeBytes());
            return Optional.empty();
        }
        if (message.is("ROVek:FIRMware:DATA") && message.block().isPresent()) {
            handheld.firmware()
                    .write(
                            Long.parseLong(message.parameter(0).orElse("")),
                            message.block().get());
            return Optional.empty();
        }
        if (message.is("ROVek:FIRMware:INSTall")) {
            handheld.firmware().install(handheld.battery());
            return Optional.empty();
        }
        return refuse(message, ScpiError.UNDEFINED_HEADER);
    }

    private Optional<byte[]> write(ProgramMessage message, String name, byte[] bytes) {
        if (name.startsWith("ROUTES/")) {
            handheld.load(bytes);
        } else if (name.equals(SetupSlot.FILE)) {
            handheld.loadSetup(bytes);
        } else {
            return refuse(message, ScpiError.ILLEGAL_PARAMETER);
        }
        if (faults.isWriteDamaged()) {
            handheld.damage(name);
        }
        return Optional.empty();
    }

    private void setClock(java.util.function.UnaryOperator<OffsetDateTime> change) {
        Instant shown = handheld.clock().instrumentTime();
        handheld.clock()
                .setInstrumentTime(change.apply(shown.atOffset(ZoneOffset.UTC)).toInstant());
    }

    private static int number(ProgramMessage message, int index) {
        return Integer.parseInt(message.parameter(index).orElseThrow(() -> new IllegalArgumentException("missing")));
    }

    /** Queues the error; a query still gets an answer, an empty one, so that nobody waits for it. */
    private Optional<byte[]> refuse(ProgramMessage message, ScpiError error) {
        if (errors.size() < MOST_ERRORS - 1) {
            errors.add(error);
        } else if (errors.size() < MOST_ERRORS) {
            errors.add(ScpiError.QUEUE_OVERFLOW);
        }
        return message.isQuery() ? line("\"\"") : Optional.empty();
    }

    private Optional<byte[]> block(byte[] bytes) {
        return Optional.of(ReplyParser.block(faults.perhapsCorrupted(bytes)));
    }

    private static Optional<byte[]> line(String text) {
        return Optional.of((text + "\n").getBytes(StandardCharsets.UTF_8));
    }
}
