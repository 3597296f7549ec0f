package rovek.core.foreign;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The order in which a table writes the parts of a date. Two figures for a year are of this century. */
public enum DateOrder {
    DAY_MONTH_YEAR(0, 1, 2),
    MONTH_DAY_YEAR(1, 0, 2),
    YEAR_MONTH_DAY(2, 1, 0);

    private static final String DATE =
            "(\\d{1,4}|[A-Za-z]{3,9})[./ -]\\s?(\\d{1,2}|[A-Za-z]{3,9})[./, -]\\s?(\\d{1,4})";
    private static final String TIME = "(\\d{1,2}):(\\d{2})(?::(\\d{2})(?:[.,](\\d{1,9}))?)?\\s?([AaPp][Mm])?";
    private static final String OFFSET = "(Z|[+-]\\d{2}:?\\d{2})?";
    private static final Pattern DATE_TIME = Pattern.compile(DATE + "(?:(?:T|,?\\s+)" + TIME + "\\s?" + OFFSET + ")?");
    private static final Pattern TIME_OF_DAY = Pattern.compile(TIME);
    private static final List<String> MONTHS =
            List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");

    private final int day;
    private final int month;
    private final int year;

    DateOrder(int day, int month, int year) {
        this.day = day;
        this.month = month;
        this.year = year;
    }

    /**
     * A date, with or without a time of day.
     *
     * @param offset as written; empty where the table does not say
     */
    public record Read(LocalDateTime local, Optional<ZoneOffset> offset) {

        /** @param zone where nothing else is written; the earlier moment where the clock was put back */
        public ZonedDateTime in(ZoneId zone) {
            return offset.map(local::atOffset).map(at -> at.toZonedDateTime()).orElseGet(() -> local.atZone(zone));
        }
    }

    /** The date a text is in this order; empty where it is none. */
    public Optional<Read> read(String text) {
        Matcher parts = DATE_TIME.matcher(text.strip());
        if (!parts.matches() || (this == MONTH_DAY_YEAR && text.indexOf('.') >= 0 && text.indexOf('.') < 3)) {
            // Where the month comes first nobody parts with points.
            return Optional.empty();
        }
        try {
            LocalDate date = LocalDate.of(
                    year(parts.group(year + 1)), month(parts.group(month + 1)), figure(parts.group(day + 1), 2));
            LocalTime time = parts.group(4) == null ? LocalTime.MIDNIGHT : time(parts, 4);
            Optional<ZoneOffset> offset = Optional.ofNullable(parts.group(9))
                    .map(written -> written.equals("Z") ? ZoneOffset.UTC : ZoneOffset.of(written));
            return Optional.of(new Read(date.atTime(time), offset));
        } catch (DateTimeException | NumberFormatException noDate) {
            return Optional.empty();
        }
    }

    /** A time of day alone, in a column of its own. */
    public static Optional<LocalTime> timeOfDay(String text) {
        Matcher parts = TIME_OF_DAY.matcher(text.strip());
        try {
            return parts.matches() ? Optional.of(time(parts, 1)) : Optional.empty();
        } catch (DateTimeException noTime) {
            return Optional.empty();
        }
    }

    private static LocalTime time(Matcher parts, int first) {
        int hour = Integer.parseInt(parts.group(first));
        String half = parts.group(first + 4);
        if (half != null) {
            if (hour < 1 || hour > 12) {
                throw new DateTimeException("no hour of half a day");
            }
            hour = hour % 12 + (half.toLowerCase(Locale.ROOT).equals("pm") ? 12 : 0);
        }
        int second = parts.group(first + 2) == null ? 0 : Integer.parseInt(parts.group(first + 2));
        String fraction = parts.group(first + 3);
        int nanos = fraction == null ? 0 : Integer.parseInt((fraction + "00000000").substring(0, 9));
        return LocalTime.of(hour, Integer.parseInt(parts.group(first + 1)), second, nanos);
    }

    /** A date that begins with two figures begins with a day or a month. */
    private int year(String text) {
        int figure = figure(text, 4);
        if (text.length() != 4 && (text.length() != 2 || this == YEAR_MONTH_DAY)) {
            throw new DateTimeException("no year");
        }
        return text.length() == 2 ? 2000 + figure : figure;
    }

    private static int month(String text) {
        int named = text.length() < 3 ? -1 : MONTHS.indexOf(text.substring(0, 3).toLowerCase(Locale.ROOT));
        return named >= 0 ? named + 1 : figure(text, 2);
    }

    private static int figure(String text, int longest) {
        if (text.length() > longest) {
            throw new DateTimeException("too many figures");
        }
        return Integer.parseInt(text);
    }
}
