package rovek.core.trend;

/**
 * Whether points bend: the quadratic term of a parabola of least squares over its own standard error, which follows
 * Student's t where a straight line with normal scatter is true.
 */
final class Curvature {

    private Curvature() {}

    /**
     * @param x not all equal
     * @param counts which points are taken
     * @return above 0 where they curve up, below 0 down; 0 for fewer than four points, or where nothing is left to
     *     compare with
     */
    static double of(double[] x, double[] y, boolean[] counts) {
        int n = 0;
        double middle = 0;
        for (int i = 0; i < x.length; i++) {
            n += counts[i] ? 1 : 0;
            middle += counts[i] ? x[i] : 0;
        }
        if (n < 4) {
            return 0;
        }
        middle /= n;
        double[] u = new double[n];
        double[] v = new double[n];
        double sizeX = 0;
        for (int i = 0, at = 0; i < x.length; i++) {
            if (counts[i]) {
                u[at] = x[i] - middle;
                v[at++] = y[i];
                sizeX = Math.max(sizeX, Math.abs(x[i] - middle));
            }
        }
        // The square is made orthogonal to line and level, so that it stands alone.
        double s2 = 0;
        double s3 = 0;
        for (int i = 0; i < n; i++) {
            u[i] /= sizeX;
            s2 += u[i] * u[i];
            s3 += u[i] * u[i] * u[i];
        }
        double sqq = 0;
        double sqv = 0;
        double suv = 0;
        double mean = 0;
        for (int i = 0; i < n; i++) {
            double q = u[i] * u[i] - s2 / n - s3 / s2 * u[i];
            sqq += q * q;
            sqv += q * v[i];
            suv += u[i] * v[i];
            mean += v[i] / n;
        }
        double bend = sqv / sqq;
        double left = 0;
        double size = 0;
        for (int i = 0; i < n; i++) {
            double q = u[i] * u[i] - s2 / n - s3 / s2 * u[i];
            double off = v[i] - mean - suv / s2 * u[i] - bend * q;
            left += off * off;
            size += v[i] * v[i];
        }
        // What is left of an exact line, or parabola, is rounding.
        double rounding = 1e-16 * size;
        if (!(sqq > 0) || bend * bend * sqq <= rounding) {
            return 0;
        }
        return bend / Math.sqrt(Math.max(left, rounding) / (n - 3) / sqq);
    }
}
