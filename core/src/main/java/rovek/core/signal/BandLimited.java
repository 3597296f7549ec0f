package rovek.core.signal;

import java.util.function.IntFunction;

/**
 * What of a signal lies within a band, integrated or not, taken back to time.
 *
 * <p>The record is faded in and out by a {@link Taper} w, its lines within the band are integrated, and taken back to
 * time; there the taper is divided out, and both ends, where it lets less than half through, are left out. Without the
 * taper the jump from a record's end to its beginning would ring within the band like an impact. Fading before
 * integrating m times gives r(m) = w u(m) - m w' u(m+1) + m (m+1)/2 w'' u(m+2) - ... (the rule of Leibniz for D^-m),
 * u(m) being the m-th integral; that is solved for u(m) to the second order.
 *
 * @param signal in the unit of the integrated signal (m/s², m/s or m for an input in m/s²)
 * @param pointsPerSecond of {@code signal}
 * @param startSeconds of its first value since the record began
 */
public record BandLimited(double[] signal, double pointsPerSecond, double startSeconds) {

    /** Points to a period of the highest frequency: a parabola through three of them meets a crest within 0.1 %. */
    public static final int POINTS_A_PERIOD = 8;

    /**
     * @param fourier for the record's length
     * @param lines of the tapered record as {@link FourierTransform#forward} leaves them; not changed
     * @param rateHz sampling rate
     * @param within the lines of the band
     * @param points how many the whole record is to have at the least
     * @param transforms for any length
     */
    public static BandLimited of(
            FourierTransform fourier,
            double[] lines,
            Taper taper,
            double rateHz,
            BandLines within,
            Integration integration,
            int points,
            IntFunction<FourierTransform> transforms) {
        int n = fourier.length();
        double stepHz = rateHz / n;
        // Past its edges the band fades over the lines that the taper spreads a tone to.
        int reach = taper.reachLines();
        int first = Math.max(1, within.first() - reach);
        int last = Math.min(fourier.lastLine() - 1, within.last() + reach);
        FourierTransform back = transforms.apply(Integer.highestOneBit(Math.max(points, 2 * last + 2) - 1) * 2);
        Trusted trusted = new Trusted(taper, (double) n / back.length(), rateHz);
        int times = integration.times();
        double[][] integrals = new double[times == 0 ? 1 : 3][];
        for (int more = 0; more < integrals.length; more++) {
            double[] limited = new double[back.length()];
            for (int line = first; line <= last; line++) {
                double share = Math.min(line - first + 1, last - line + 1) / (reach + 1.0);
                double fading = share >= 1 ? 1 : 0.5 - 0.5 * Math.cos(Math.PI * share);
                double omega = 2 * Math.PI * line * stepHz;
                double factor = fading * back.length() / n;
                for (int i = 0; i < times + more; i++) {
                    factor /= omega;
                }
                rotate(
                        back,
                        limited,
                        line,
                        fourier.re(lines, line) * factor,
                        fourier.im(lines, line) * factor,
                        times + more);
            }
            back.inverse(limited);
            integrals[more] = limited;
        }
        return new BandLimited(
                trusted.of(integrals, times),
                rateHz / trusted.samplesAPoint(),
                trusted.from() * trusted.samplesAPoint() / rateHz);
    }

    /** Each integration turns a line by -90 degrees: division by j. */
    private static void rotate(FourierTransform fourier, double[] lines, int line, double re, double im, int times) {
        switch (times % 4) {
            case 0 -> fourier.put(lines, line, re, im);
            case 1 -> fourier.put(lines, line, im, -re);
            case 2 -> fourier.put(lines, line, -re, -im);
            default -> fourier.put(lines, line, -im, re);
        }
    }

    /** The stretch where a signal can be taken back from its taper. */
    private record Trusted(Taper taper, double samplesAPoint, double rateHz) {

        int from() {
            return (int) Math.ceil(taper.firstTrusted() / samplesAPoint - 1e-9);
        }

        private int to() {
            return (int) Math.floor(taper.lastTrusted() / samplesAPoint + 1e-9);
        }

        /**
         * @param integrals of the faded signal, {@code times} times and once and twice more; of a signal that is not
         *     integrated itself alone
         */
        double[] of(double[][] integrals, int times) {
            int from = from();
            double[] signal = new double[to() - from + 1];
            for (int i = 0; i < signal.length; i++) {
                Taper.Place place = taper.place((from + i) * samplesAPoint);
                double let = place.value();
                double value = integrals[0][from + i];
                if (times > 0) {
                    double slope = place.slope() * rateHz;
                    double second = integrals[2][from + i] / let;
                    double once = (integrals[1][from + i] + (times + 1) * slope * second) / let;
                    value += times * slope * once
                            - times * (times + 1) / 2.0 * place.curvature() * rateHz * rateHz * second;
                }
                signal[i] = value / let;
            }
            return signal;
        }
    }
}
