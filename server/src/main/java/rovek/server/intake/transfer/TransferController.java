package rovek.server.intake.transfer;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.route.LoadGate;
import rovek.core.wording.Sentence;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.judging.original.Originals;
import rovek.server.rounds.route.Routes;

/** What is loaded onto an instrument, read back from it and done with its memory. */
@RestController
@RequestMapping("/api/instruments")
class TransferController {

    private final Transfers transfers;
    private final Loading loading;
    private final ReadBack readBack;
    private final LookInside lookInside;
    private final Originals originals;
    private final Jobs jobs;

    TransferController(
            Transfers transfers,
            Loading loading,
            ReadBack readBack,
            LookInside lookInside,
            Originals originals,
            Jobs jobs) {
        this.transfers = transfers;
        this.loading = loading;
        this.readBack = readBack;
        this.lookInside = lookInside;
        this.originals = originals;
        this.jobs = jobs;
    }

    /** @param accepted what somebody has seen at the gate and loads over; null for nothing */
    record LoadRoute(UUID routeId, @Nullable Set<LoadGate.Kind> accepted) {}

    /** @param accepted as of a route */
    record LoadSetup(UUID setupId, @Nullable Set<LoadGate.Kind> accepted) {}

    private static Set<LoadGate.Kind> orNothing(@Nullable Set<LoadGate.Kind> accepted) {
        return accepted == null ? Set.of() : accepted;
    }

    /** Why a set-up cannot be taken; empty where it can. */
    record SetupFit(List<Sentence> obstacles) {}

    record TakeBack(List<String> files, boolean correctClock) {}

    record Names(List<String> files) {}

    /** @param begin whether a run is to begin; else the one under way ends */
    record RunWish(boolean begin) {}

    record Running(JobView job) {}

    /** Connects and looks; a query that asks somebody else. */
    @GetMapping("/{id}/connection")
    ConnectionView look(@PathVariable UUID id) {
        return transfers.look(id);
    }

    /** What lies in one file of its memory; a query that asks somebody else. */
    @GetMapping("/{id}/inside")
    LookInside.Inside inside(@PathVariable UUID id, @RequestParam String file) {
        return lookInside.look(id, file);
    }

    @GetMapping("/{id}/job")
    Running running(@PathVariable UUID id) {
        return new Running(jobs.runningOn(id).orElse(null));
    }

    @GetMapping("/{id}/originals")
    List<Originals.OriginalLine> originals(@PathVariable UUID id) {
        return originals.list(id);
    }

    @GetMapping("/{id}/fit")
    Routes.FitView fit(@PathVariable UUID id, @RequestParam UUID routeId) {
        return loading.fit(id, routeId);
    }

    @GetMapping("/{id}/share")
    Routes.ShareView share(@PathVariable UUID id, @RequestParam UUID with, @RequestParam UUID routeId) {
        return loading.share(id, with, routeId);
    }

    @PostMapping("/{id}/load")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView load(@PathVariable UUID id, @RequestBody LoadRoute load) {
        return loading.loadRoute(id, load.routeId(), orNothing(load.accepted()));
    }

    @GetMapping("/{id}/setup-fit")
    SetupFit setupFit(@PathVariable UUID id, @RequestParam UUID setupId) {
        return new SetupFit(loading.setupObstacles(id, setupId));
    }

    @PostMapping("/{id}/load-setup")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView loadSetup(@PathVariable UUID id, @RequestBody LoadSetup load) {
        return loading.loadSetup(id, load.setupId(), orNothing(load.accepted()));
    }

    @PostMapping("/{id}/read-back")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView readBack(@PathVariable UUID id, @RequestBody TakeBack take) {
        return readBack.start(id, take.files(), take.correctClock());
    }

    /** What is to be looked at before loading; a query that asks somebody else. */
    @GetMapping("/{id}/load-gate")
    LoadGate gate(
            @PathVariable UUID id,
            @RequestParam(required = false) UUID routeId,
            @RequestParam(required = false) UUID setupId) {
        return loading.gate(id, routeId, setupId);
    }

    /** Reads everything back with its times corrected, then sets the clock. */
    @PostMapping("/{id}/read-back-and-set-clock")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView readBackAndSetClock(@PathVariable UUID id) {
        return readBack.startThenSetClock(id);
    }

    @PostMapping("/{id}/clock")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setClock(@PathVariable UUID id) {
        transfers.setClock(id);
    }

    @PostMapping("/{id}/run")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void run(@PathVariable UUID id, @RequestBody RunWish wish) {
        transfers.run(id, wish.begin());
    }

    @PostMapping("/{id}/clear")
    Transfers.Cleared clear(@PathVariable UUID id, @RequestBody Names names) {
        return transfers.clear(id, names.files());
    }
}
