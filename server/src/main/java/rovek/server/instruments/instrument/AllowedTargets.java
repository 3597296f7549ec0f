package rovek.server.instruments.instrument;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.policy.Policies;

/**
 * Where on the network instruments and devices may be: the server connects to nothing else, whoever asks. Until an
 * administrator has decided, what the server was started with holds; as it is delivered, private networks at the two
 * customary ports.
 */
@Service
public class AllowedTargets {

    private static final String KEY = "instrument.networks";
    private static final int MOST_LINES = 100;

    private final AuditTrail audit;
    private final Policies rules;
    private final List<String> startedWith;

    AllowedTargets(
            AuditTrail audit,
            Policies rules,
            @Value(
                            "${rovek.networks:10.0.0.0/8 502,5025;172.16.0.0/12 502,5025;192.168.0.0/16 502,5025;fc00::/7 502,5025}")
                    String startedWith) {
        this.audit = audit;
        this.rules = rules;
        this.startedWith = lines(startedWith, ";");
        this.startedWith.forEach(AllowedTarget::parse);
    }

    /** @param networks a network and its ports each */
    public record Networks(List<String> networks) {}

    @Transactional(readOnly = true)
    public Networks now() {
        return new Networks(rules.text(KEY).map(text -> lines(text, "\n")).orElse(startedWith));
    }

    private static List<String> lines(String text, String separator) {
        return Arrays.stream(text.split(separator))
                .map(String::strip)
                .filter(line -> !line.isEmpty())
                .toList();
    }

    @Transactional
    public Networks put(Networks wanted) {
        List<String> lines = lines(String.join("\n", wanted.networks()), "\n");
        if (lines.size() > MOST_LINES) {
            throw new DomainProblem.Invalid("networks", Sentence.of("instruments.mostNetworks", "most", MOST_LINES));
        }
        try {
            lines.forEach(AllowedTarget::parse);
        } catch (Refused e) {
            throw new DomainProblem.Invalid("networks", e.sentence());
        }
        Networks before = now();
        Networks after = new Networks(lines);
        rules.put(KEY, String.join("\n", lines));
        audit.note("change networks of instruments", "rules", "networks", before, after);
        return after;
    }

    /**
     * The very address to connect to: a name that is looked up once more may lead elsewhere.
     *
     * @return an address in numbers
     * @throws DomainProblem.Invalid where the server may not connect there, or nobody knows the name
     */
    public String resolved(String host, int port) {
        InetAddress[] addresses;
        try {
            addresses = InetAddress.getAllByName(host);
        } catch (UnknownHostException e) {
            throw new DomainProblem.Invalid("host", Sentence.of("instruments.unknownHost", "host", host));
        }
        List<AllowedTarget> allowed =
                now().networks().stream().map(AllowedTarget::parse).toList();
        return Arrays.stream(addresses)
                .filter(address -> allowed.stream().anyMatch(target -> target.allows(address, port)))
                .map(InetAddress::getHostAddress)
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid(
                        "host", Sentence.of("instruments.targetRefused", "host", host, "port", String.valueOf(port))));
    }
}
