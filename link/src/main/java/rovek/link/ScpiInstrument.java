package rovek.link;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import rovek.core.live.LiveChannel;
import rovek.core.wording.Sentence;
import rovek.link.scpi.ScpiSession;
import rovek.link.scpi.ScpiText;

/**
 * An instrument that is spoken with in text commands, over whatever carries bytes. The commands are those of the
 * project's link specification.
 */
final class ScpiInstrument implements Instrument {

    /** What SCPI-99 has for not a number, 9.91E37, and everything beyond. */
    private static final int MOST_LIVE_CHANNELS = 64;

    private static final int LONGEST_NAME = 200;
    private static final double NOT_A_NUMBER = 9.9e37;
    /** Bit 4 of the operation status register: measuring (SCPI-99, volume 1, 20.1.1). */
    private static final int MEASURING = 1 << 4;

    private final ScpiSession session;

    private ScpiInstrument(ScpiSession session) {
        this.session = session;
    }

    static ScpiInstrument connect(Transport transport, Optional<String> passCode, Duration patience, Duration longest)
            throws LinkException {
        ScpiSession session = new ScpiSession(transport, patience, longest, System::nanoTime);
        try {
            session.connect();
            if (passCode.isPresent()) {
                session.command(
                        "SYSTem:PASSword:CENable " + ScpiText.quote(passCode.get()), "SYSTem:PASSword:CENable …");
            }
            session.drainErrors();
            return new ScpiInstrument(session);
        } catch (LinkException e) {
            session.close();
            throw e;
        }
    }

    @Override
    public InstrumentIdentity identity() throws LinkException {
        List<String> idn = ScpiText.split(session.query("*IDN?"));
        if (idn.size() != 4 || idn.get(1).isBlank() || InstrumentIdentity.isTooLong(idn.toArray(String[]::new))) {
            throw new LinkException.Garbled(Sentence.of("link.identityIncomplete"));
        }
        Map<String, String> options = new LinkedHashMap<>();
        for (String option : ScpiText.split(ScpiText.unquote(session.query("*OPT?")))) {
            int colon = option.indexOf(':');
            if (!option.isBlank() && !option.equals("0")) {
                options.put(
                        (colon < 0 ? option : option.substring(0, colon)).toLowerCase(Locale.ROOT),
                        colon < 0 ? "" : option.substring(colon + 1));
            }
        }
        return new InstrumentIdentity(
                idn.get(0),
                idn.get(1),
                idn.get(2),
                idn.get(3),
                options,
                date("ROVek:CALibration:DATE?"),
                date("ROVek:CALibration:DUE?"));
    }

    private Optional<LocalDate> date(String query) throws LinkException {
        String answer = ScpiText.unquote(session.query(query));
        try {
            return answer.isBlank() ? Optional.empty() : Optional.of(LocalDate.parse(answer));
        } catch (DateTimeException e) {
            throw new LinkException.Garbled(Sentence.of("link.notADate"));
        }
    }

    @Override
    public OptionalInt batteryPercent() throws LinkException {
        String answer = ifKnown("ROVek:BATTery?");
        if (answer.isBlank()) {
            return OptionalInt.empty();
        }
        int percent = (int) number(answer, Sentence.of("link.aBattery"));
        if (percent < 0 || percent > 100) {
            throw new LinkException.Garbled(Sentence.of("link.batteryBeyond", "percent", percent));
        }
        return OptionalInt.of(percent);
    }

    @Override
    public OptionalDouble temperatureCelsius() throws LinkException {
        String answer = ifKnown("ROVek:TEMPerature?");
        return answer.isBlank()
                ? OptionalDouble.empty()
                : OptionalDouble.of(number(answer, Sentence.of("link.aTemperature")));
    }

    @Override
    public Optional<Instant> clock() throws LinkException {
        List<String> date = ScpiText.split(session.query("SYSTem:DATE?"));
        List<String> time = ScpiText.split(session.query("SYSTem:TIME?"));
        if (date.size() != 3 || time.size() != 3) {
            throw new LinkException.Garbled(Sentence.of("link.clockIncomplete"));
        }
        try {
            return Optional.of(LocalDate.of(
                            (int) number(date.get(0), Sentence.of("link.aYear")),
                            (int) number(date.get(1), Sentence.of("link.aMonth")),
                            (int) number(date.get(2), Sentence.of("link.aDay")))
                    .atTime(LocalTime.of(
                            (int) number(time.get(0), Sentence.of("link.anHour")),
                            (int) number(time.get(1), Sentence.of("link.aMinute")),
                            (int) number(time.get(2), Sentence.of("link.aSecond"))))
                    .toInstant(ZoneOffset.UTC));
        } catch (DateTimeException e) {
            throw new LinkException.Garbled(Sentence.of("link.clockNoTime"));
        }
    }

    @Override
    public void setClock(Instant to) throws LinkException {
        var utc = to.atOffset(ZoneOffset.UTC);
        session.command("SYSTem:DATE %d,%d,%d".formatted(utc.getYear(), utc.getMonthValue(), utc.getDayOfMonth()));
        session.command("SYSTem:TIME %d,%d,%d".formatted(utc.getHour(), utc.getMinute(), utc.getSecond()));
    }

    @Override
    public MemoryCatalogue catalogue() throws LinkException {
        List<String> parts = ScpiText.split(session.query("MMEMory:CATalog?"));
        if (parts.size() < 2) {
            throw new LinkException.Garbled(Sentence.of("link.memoryIncomplete"));
        }
        List<InstrumentFile> files = new ArrayList<>();
        for (String entry : parts.subList(2, parts.size())) {
            List<String> fields = ScpiText.split(ScpiText.unquote(entry));
            if (fields.size() != 3) {
                throw new LinkException.Garbled(Sentence.of("link.fileIncomplete"));
            }
            if (ScpiText.hasControlCharacter(entry)) {
                throw new LinkException.Garbled(Sentence.of("link.fileNameControl"));
            }
            files.add(new InstrumentFile(
                    fields.get(0), fields.get(1), (long) number(fields.get(2), Sentence.of("link.aFileSize"))));
        }
        return new MemoryCatalogue(
                (long) number(parts.get(0), Sentence.of("link.aMemorySize")),
                (long) number(parts.get(1), Sentence.of("link.aMemorySize")),
                files);
    }

    @Override
    public String digest(String file) throws LinkException {
        String digest = ScpiText.unquote(session.query("ROVek:FILE:DIGest? " + ScpiText.quote(file)));
        if (!digest.matches("[0-9a-f]{64}")) {
            throw new LinkException.Garbled(Sentence.of("link.notADigest"));
        }
        return digest;
    }

    @Override
    public byte[] slice(String file, long offset, int count) throws LinkException {
        byte[] bytes = session.queryBlock("ROVek:FILE:SLICe? %s,%d,%d".formatted(ScpiText.quote(file), offset, count));
        if (bytes.length > count) {
            throw new LinkException.Garbled(Sentence.of("link.pieceTooLong"));
        }
        return bytes;
    }

    @Override
    public void write(String file, byte[] bytes) throws LinkException {
        session.command("MMEMory:DATA " + ScpiText.quote(file), bytes);
    }

    @Override
    public void delete(String file) throws LinkException {
        session.command("MMEMory:DELete " + ScpiText.quote(file));
    }

    @Override
    public FirmwareState firmware() throws LinkException {
        List<String> parts = ScpiText.split(session.query("ROVek:FIRMware:STATe?"));
        if (parts.size() != 3) {
            throw new LinkException.Garbled(Sentence.of("link.firmwareIncomplete"));
        }
        return new FirmwareState(
                ScpiText.unquote(parts.get(0)),
                (long) number(parts.get(1), Sentence.of("link.aByteCount")),
                ScpiText.unquote(parts.get(2)).equals("INSTALLING"));
    }

    @Override
    public void beginFirmware(String sha256, long bytes) throws LinkException {
        session.command("ROVek:FIRMware:BEGin %s,%d".formatted(ScpiText.quote(sha256), bytes));
    }

    @Override
    public void writeFirmware(long offset, byte[] piece) throws LinkException {
        session.command("ROVek:FIRMware:DATA " + offset, piece);
    }

    @Override
    public void installFirmware() throws LinkException {
        session.command("ROVek:FIRMware:INSTall");
    }

    @Override
    public List<LiveChannel> liveChannels() throws LinkException {
        List<String> parts = ScpiText.split(ifKnownWhole("ROVek:LIVE:CHANnels?"));
        if (parts.size() % 2 != 0) {
            throw new LinkException.Garbled(Sentence.of("link.liveNoUnits"));
        }
        if (parts.size() > 2 * MOST_LIVE_CHANNELS) {
            throw new LinkException.Garbled(Sentence.of("link.liveTooMany", "most", MOST_LIVE_CHANNELS));
        }
        List<LiveChannel> channels = new ArrayList<>();
        for (int i = 0; i < parts.size(); i += 2) {
            String name = ScpiText.unquote(parts.get(i));
            String unit = ScpiText.unquote(parts.get(i + 1));
            if (name.length() > LONGEST_NAME || unit.length() > LONGEST_NAME) {
                throw new LinkException.Garbled(Sentence.of("link.liveLongName", "most", LONGEST_NAME));
            }
            channels.add(new LiveChannel(name, unit));
        }
        return channels;
    }

    @Override
    public double[] fetch() throws LinkException {
        List<String> parts = ScpiText.split(session.query("FETCh?"));
        double[] values = new double[parts.size()];
        for (int i = 0; i < values.length; i++) {
            double value = number(parts.get(i), Sentence.of("link.aLiveValue"));
            values[i] = Math.abs(value) >= NOT_A_NUMBER ? Double.NaN : value;
        }
        return values;
    }

    @Override
    public void startRun() throws LinkException {
        session.command("INITiate");
    }

    @Override
    public void endRun() throws LinkException {
        session.command("ABORt");
    }

    @Override
    public boolean isRunning() throws LinkException {
        return ((int) number(session.query("STATus:OPERation:CONDition?"), Sentence.of("link.aCondition")) & MEASURING)
                != 0;
    }

    @Override
    public List<String> availableOptions() throws LinkException {
        return ScpiText.split(ifKnown("ROVek:OPTion:AVAilable?")).stream()
                .filter(option -> !option.isBlank())
                .map(option -> option.toLowerCase(Locale.ROOT))
                .toList();
    }

    /** As {@link #ifKnown}, its quotes kept. */
    private String ifKnownWhole(String query) throws LinkException {
        try {
            return session.query(query);
        } catch (LinkException.Refused unknown) {
            return "";
        }
    }

    /** The answer without its quotes; blank where the instrument does not know the question. */
    private String ifKnown(String query) throws LinkException {
        return ScpiText.unquote(ifKnownWhole(query));
    }

    private static double number(String text, Sentence what) throws LinkException {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new LinkException.Garbled(Sentence.of("link.notANumber", "what", what));
        }
    }

    @Override
    public void close() {
        session.close();
    }
}
