package rovek.server.instruments.instrument;

import java.net.InetAddress;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.security.web.util.matcher.IpAddressMatcher;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * A network and the ports on it that may be connected to, written as {@code 10.1.0.0/16 502,5025,7000-7010}.
 *
 * @param network an address, or one with the length of its network in bits
 */
record AllowedTarget(String network, List<Ports> ports) {

    private static final Pattern WRITTEN = Pattern.compile(
            "([0-9a-fA-F.:]{2,45}(?:/\\d{1,3})?)\\s+(\\d{1,5}(?:-\\d{1,5})?(?:,\\d{1,5}(?:-\\d{1,5})?){0,19})");
    private static final int LAST_PORT = 65_535;

    /** Ports from one to another, both included. */
    record Ports(int first, int last) {

        private static Ports parse(String text) {
            int dash = text.indexOf('-');
            int first = Integer.parseInt(dash < 0 ? text : text.substring(0, dash));
            int last = Integer.parseInt(dash < 0 ? text : text.substring(dash + 1));
            if (first < 1 || last > LAST_PORT || first > last) {
                throw new Refused(Sentence.of("instruments.ports", "text", text));
            }
            return new Ports(first, last);
        }

        boolean holds(int port) {
            return port >= first && port <= last;
        }
    }

    /** @throws Refused where it is written otherwise */
    static AllowedTarget parse(String line) {
        Matcher written = WRITTEN.matcher(line.strip());
        if (!written.matches()) {
            throw new Refused(Sentence.of("instruments.targetForm", "text", line.strip()));
        }
        String network = written.group(1);
        List<Ports> ports = new ArrayList<>();
        for (String some : written.group(2).split(",")) {
            ports.add(Ports.parse(some));
        }
        try {
            new IpAddressMatcher(network);
        } catch (IllegalArgumentException e) {
            throw new Refused(Sentence.of("instruments.notANetwork", "text", network));
        }
        return new AllowedTarget(network, List.copyOf(ports));
    }

    boolean allows(InetAddress address, int port) {
        return ports.stream().anyMatch(some -> some.holds(port))
                && new IpAddressMatcher(network).matches(address.getHostAddress());
    }
}
