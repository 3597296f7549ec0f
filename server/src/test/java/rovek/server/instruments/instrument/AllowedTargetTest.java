package rovek.server.instruments.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rovek.core.wording.Refused;

class AllowedTargetTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            10.1.0.0/16 502,5025 | 10.1.200.3 | 502 | true
            10.1.0.0/16 502,5025 | 10.1.200.3 | 503 | false
            10.1.0.0/16 502,5025 | 10.2.0.1 | 502 | false
            10.1.0.0/16 7000-7010 | 10.1.0.1 | 7000 | true
            10.1.0.0/16 7000-7010 | 10.1.0.1 | 7010 | true
            10.1.0.0/16 7000-7010 | 10.1.0.1 | 7011 | false
            10.1.0.9 5025 | 10.1.0.9 | 5025 | true
            10.1.0.9 5025 | 10.1.0.8 | 5025 | false
            fd00::/8 5025 | fd12::1 | 5025 | true
            fd00::/8 5025 | fe80::1 | 5025 | false
            0.0.0.0/0 1-65535 | 169.254.1.1 | 80 | true
            10.0.0.0/8 1-65535 | ::1 | 80 | false""")
    void aTargetIsItsNetworksAddressesAtItsPorts(String written, String address, int port, boolean allowed)
            throws UnknownHostException {
        assertThat(AllowedTarget.parse(written).allows(InetAddress.getByName(address), port))
                .isEqualTo(allowed);
    }

    /** An address of the old version written as one of the new is the same address. */
    @Test
    void aMappedAddressIsWhatItIs() throws UnknownHostException {
        assertThat(AllowedTarget.parse("10.0.0.0/8 80").allows(InetAddress.getByName("::ffff:127.0.0.1"), 80))
                .isFalse();
        assertThat(AllowedTarget.parse("127.0.0.0/8 80").allows(InetAddress.getByName("::ffff:127.0.0.1"), 80))
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "10.0.0.0/8",
                "10.0.0.0/33 80",
                "works.example 80",
                "10.0.0.0/8 0",
                "10.0.0.0/8 70000",
                "10.0.0.0/8 90-80",
                "10.0.0.0/8 80,",
                "10.0.0.0/8 80; 1"
            })
    void whatIsNoTargetIsRefusedWithASentence(String written) {
        assertThatThrownBy(() -> AllowedTarget.parse(written)).isInstanceOf(Refused.class);
    }
}
