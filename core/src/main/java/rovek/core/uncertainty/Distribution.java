package rovek.core.uncertainty;

/** How a quantity scatters within the width that is known of it (JCGM 100:2008, 4.3). */
public enum Distribution {
    /** The width is a standard deviation times a coverage factor, as a calibration certificate states it. */
    NORMAL(1),
    /** Anywhere within the half-width alike, as of a resolution or an accuracy statement. */
    RECTANGULAR(Math.sqrt(3)),
    /** In the middle more often, as of the sum of two alike rectangular ones. */
    TRIANGULAR(Math.sqrt(6)),
    /** At the ends more often, as of something that swings, e.g. a temperature under control. */
    U_SHAPED(Math.sqrt(2));

    private final double divisor;

    Distribution(double divisor) {
        this.divisor = divisor;
    }

    /** By what the half-width is divided to be a standard uncertainty; of a normal one where nothing else is stated. */
    public double divisor() {
        return divisor;
    }
}
