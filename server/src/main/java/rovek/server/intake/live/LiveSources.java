package rovek.server.intake.live;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import rovek.core.live.LiveChannel;
import rovek.core.live.Register;
import rovek.core.setup.RegisterSetup;
import rovek.core.setup.SetupContent;
import rovek.core.wording.Sentence;
import rovek.link.ModbusLink;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.instrument.AllowedTargets;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.instruments.instrument.LinkHold;
import rovek.server.instruments.setup.SetupView;
import rovek.server.instruments.setup.Setups;

/** Everything that can be watched live. */
@Component
class LiveSources {

    private static final Duration PATIENCE = Duration.ofSeconds(2);
    private static final String LIVE = "live";
    private static final Sentence WATCHED = Sentence.of("intake.purposeWatching");
    /** A device that is only ever read is wanted for nothing else. */
    private static final LinkHold NOBODY_ELSE = new LinkHold() {
        @Override
        public boolean isWanted() {
            return false;
        }

        @Override
        public void doing(Sentence purpose, boolean givesWay) {
            // nobody else asks
        }
    };

    private final Instruments instruments;
    private final Setups setups;
    private final AllowedTargets targets;

    LiveSources(Instruments instruments, Setups setups, AllowedTargets targets) {
        this.instruments = instruments;
        this.setups = setups;
        this.targets = targets;
    }

    /** Something that can be watched. */
    record Watchable(LiveTarget target, Sentence name, Sentence says) {}

    List<Watchable> list() {
        List<Watchable> all = new ArrayList<>();
        for (InstrumentView instrument : instruments.list()) {
            if (instrument.options().contains(LIVE)) {
                all.add(new Watchable(
                        new LiveTarget(LiveTarget.Kind.INSTRUMENT, instrument.id()), instrument.said(), Sentence.NONE));
            }
        }
        for (SetupView setup : setups.list()) {
            if (setup.form().equals(RegisterSetup.ID)) {
                all.add(new Watchable(
                        new LiveTarget(LiveTarget.Kind.SETUP, setup.id()), Sentence.plain(setup.name()), setup.says()));
            }
        }
        return all;
    }

    /** @throws DomainProblem.NotFound where there is no such thing */
    LiveSource of(LiveTarget target) {
        return target.kind() == LiveTarget.Kind.INSTRUMENT
                ? instrument(instruments.get(target.id()))
                : device(setups.get(target.id()));
    }

    private LiveSource instrument(InstrumentView instrument) {
        return new LiveSource(
                instrument.said(),
                instrument.model(),
                instrument.serial(),
                watch -> instruments.<Void>watchingWithLink(instrument.id(), WATCHED, (link, identity, hold) -> {
                    List<LiveChannel> channels = link.liveChannels();
                    if (channels.isEmpty()) {
                        throw new DomainProblem.Conflict(
                                "nothing-live", Sentence.of("intake.noLiveValues", "instrument", instrument.said()));
                    }
                    watch.go(channels, link::fetch, hold);
                    return null;
                }));
    }

    private LiveSource device(SetupView setup) {
        if (!setup.form().equals(RegisterSetup.ID)) {
            throw new DomainProblem.Conflict(
                    "nothing-live", Sentence.of("intake.setupWithoutLive", "setup", setup.name()));
        }
        SetupContent content = new SetupContent(setup.values(), setup.rows());
        RegisterSetup.Device device = RegisterSetup.device(content);
        List<Register> registers = RegisterSetup.registers(content);
        return new LiveSource(
                Sentence.plain(setup.name()),
                setup.name(),
                "%s:%d/%d".formatted(device.host(), device.port(), device.unit()),
                watch -> {
                    try (ModbusLink link = ModbusLink.connect(
                            targets.resolved(device.host(), device.port()),
                            device.port(),
                            device.unit(),
                            registers,
                            PATIENCE)) {
                        watch.go(link.channels(), link::fetch, NOBODY_ELSE);
                    }
                });
    }
}
