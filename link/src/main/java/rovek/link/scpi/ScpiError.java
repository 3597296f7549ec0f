package rovek.link.scpi;

import rovek.core.wording.Sentence;
import rovek.link.LinkException;

/**
 * An entry of an instrument's error queue.
 *
 * @param code 0 for none; negative codes are those of SCPI-99 volume 2, chapter 21, positive ones the instrument's own
 */
public record ScpiError(int code, String text) {

    public static final ScpiError NONE = new ScpiError(0, "No error");
    public static final ScpiError UNDEFINED_HEADER = new ScpiError(-113, "Undefined header");
    public static final ScpiError MISSING_PARAMETER = new ScpiError(-109, "Missing parameter");
    public static final ScpiError COMMAND_PROTECTED = new ScpiError(-203, "Command protected");
    public static final ScpiError ILLEGAL_PARAMETER = new ScpiError(-224, "Illegal parameter value");
    public static final ScpiError MEDIA_FULL = new ScpiError(-254, "Media full");
    public static final ScpiError FILE_NAME_NOT_FOUND = new ScpiError(-256, "File name not found");
    public static final ScpiError PROGRAM_RUNNING = new ScpiError(-284, "Program currently running");
    public static final ScpiError OUT_OF_MEMORY = new ScpiError(-321, "Out of memory");
    public static final ScpiError QUEUE_OVERFLOW = new ScpiError(-350, "Queue overflow");

    /** A device-specific error, as positive numbers are. */
    public static final ScpiError BATTERY_LOW = new ScpiError(210, "Battery too low");

    static ScpiError parse(String answer) throws LinkException {
        int comma = answer.indexOf(',');
        try {
            return new ScpiError(
                    Integer.parseInt(answer.substring(0, comma < 0 ? answer.length() : comma)
                            .strip()),
                    comma < 0 ? "" : ScpiText.unquote(answer.substring(comma + 1)));
        } catch (NumberFormatException e) {
            // Not what it said instead: whatever listens at that place may have said it to nobody here.
            throw new LinkException.Garbled(Sentence.of("link.errorNoNumber"));
        }
    }

    LinkException asException(String command) {
        return switch (code) {
            case -203 -> new LinkException.PassCodeWanted();
            case -254, -321 -> new LinkException.MemoryFull();
            case -256 -> new LinkException.NoSuchFile(ScpiText.firstQuoted(command));
            case 210 -> new LinkException.BatteryLow();
            case -284 -> new LinkException.Busy();
            default ->
                new LinkException.Refused(
                        Sentence.plain(ScpiText.shortened(command)),
                        Sentence.of("link.errorWithCode", "text", ScpiText.fitToShow(text), "code", code));
        };
    }

    /** As the queue answers. */
    public String toAnswer() {
        return code + "," + ScpiText.quote(text);
    }
}
