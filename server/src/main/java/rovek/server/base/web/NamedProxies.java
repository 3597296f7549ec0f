package rovek.server.base.web;

import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.catalina.valves.RemoteIpValve;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Who asks, and whether by https, is taken from a proxy's word only where the server's keeper has named that proxy by
 * its address: anybody can write a header.
 */
@Component
class NamedProxies implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

    private final List<String> proxies;

    NamedProxies(@Value("${rovek.proxies:}") List<String> proxies) {
        this.proxies = proxies.stream()
                .map(String::strip)
                .filter(proxy -> !proxy.isEmpty())
                .toList();
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        if (proxies.isEmpty()) {
            return;
        }
        RemoteIpValve valve = new RemoteIpValve();
        valve.setInternalProxies(proxies.stream().map(Pattern::quote).collect(Collectors.joining("|")));
        valve.setTrustedProxies(null);
        valve.setRemoteIpHeader("X-Forwarded-For");
        valve.setProtocolHeader("X-Forwarded-Proto");
        factory.addEngineValves(valve);
    }
}
