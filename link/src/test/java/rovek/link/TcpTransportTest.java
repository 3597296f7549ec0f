package rovek.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.Duration;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class TcpTransportTest {

    private ServerSocket listening;
    private TcpTransport transport;

    @BeforeEach
    void listen() throws IOException {
        listening = new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
        transport = new TcpTransport("127.0.0.1", listening.getLocalPort());
    }

    @AfterEach
    void stop() throws IOException {
        transport.close();
        listening.close();
    }

    @Test
    void bytesGoThereAndBack() throws Exception {
        transport.connect();
        try (Socket other = listening.accept()) {
            transport.send(new byte[] {1, 2, 3});
            assertThat(other.getInputStream().readNBytes(3)).containsExactly(1, 2, 3);
            other.getOutputStream().write(new byte[] {4, 5});
            byte[] into = new byte[10];
            assertThat(transport.receive(into, Duration.ofSeconds(5))).isEqualTo(2);
            assertThat(into).startsWith(4, 5);
        }
    }

    @Test
    void silenceIsNoBytesAndAnEndIsALostLink() throws Exception {
        transport.connect();
        byte[] into = new byte[10];
        try (Socket other = listening.accept()) {
            assertThat(other.isConnected()).isTrue();
            assertThat(transport.receive(into, Duration.ofMillis(20))).isZero();
            assertThat(transport.isConnected()).isTrue();
        }
        assertThatThrownBy(() -> transport.receive(into, Duration.ofSeconds(5))).isInstanceOf(LinkException.Lost.class);
        assertThat(transport.isConnected()).isFalse();
        assertThatThrownBy(() -> transport.send(new byte[1])).isInstanceOf(LinkException.Lost.class);
    }

    @Test
    void whoeverTakesNothingIsNotWaitedForForEver() throws Exception {
        TcpTransport impatient =
                new TcpTransport("127.0.0.1", listening.getLocalPort(), Duration.ofSeconds(1), Duration.ofMillis(200));
        impatient.connect();
        try (Socket deaf = listening.accept()) {
            assertThat(deaf.isConnected()).isTrue();
            assertThatThrownBy(() -> impatient.send(new byte[64 << 20])).isInstanceOf(LinkException.TimedOut.class);
            assertThat(impatient.isConnected())
                    .as("half a message is on its way: the next one would be taken for its rest")
                    .isFalse();
        }
    }

    @Test
    void anAddressHasAPort() {
        assertThatThrownBy(() -> new TcpTransport("here", 0)).hasMessageContaining("link.address {host=here, port=0}");
        assertThatThrownBy(() -> new TcpTransport(" ", 5025)).hasMessageContaining("link.address");
        assertThat(new TcpTransport("here", 65_535).address()).isEqualTo("here port 65535");
    }
}
