package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.i18n.LocaleContextHolder;
import rovek.core.wording.Sentence;
import rovek.link.LinkException;
import rovek.server.base.job.JobView;
import rovek.server.base.job.JobView.State;
import rovek.server.base.job.Jobs;
import rovek.server.base.wording.Wording;

@ExtendWith(SharedRovek.class)
class JobsTest {

    private final RunningRovek rovek;
    private final Jobs jobs;

    JobsTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.jobs = rovek.bean(Jobs.class);
    }

    private JobView ended(JobView job) {
        JobView now = job;
        while (now.state() == State.RUNNING) {
            Caller.pause();
            now = jobs.get(job.id());
        }
        return now;
    }

    @Test
    void aJobEndsWithItsOwnSentence() {
        JobView job = ended(jobs.start("test", Sentence.plain("Counting"), null, progress -> {
            progress.report(5, 10, Sentence.plain("half"));
            return Sentence.plain("All counted.");
        }));
        assertThat(job.state()).isEqualTo(State.DONE);
        assertThat(job.sentence()).isEqualTo(Sentence.plain("All counted."));
        assertThat(job.done()).isEqualTo(job.total());
    }

    @Test
    void aKnownTroubleIsSaidAndAnUnknownOneIsNotShown() {
        JobView full = ended(jobs.start("test", Sentence.plain("Loading"), null, progress -> {
            throw new LinkException.MemoryFull();
        }));
        assertThat(full.state()).isEqualTo(State.FAILED);
        assertThat(full.sentence()).isEqualTo(Sentence.of("link.memoryFull"));
        JobView fault = ended(jobs.start("test", Sentence.plain("Breaking"), null, progress -> {
            throw new IllegalStateException("secret detail");
        }));
        assertThat(fault.sentence()).isEqualTo(Sentence.of("base.jobFault"));
    }

    @Test
    void aJobHearsThatItIsToStop() throws InterruptedException {
        CountDownLatch asked = new CountDownLatch(1);
        JobView job = jobs.start("test", Sentence.plain("Endless"), null, progress -> {
            asked.countDown();
            while (!progress.isStopRequested()) {
                Caller.pause();
            }
            throw new LinkException.Stopped();
        });
        asked.await();
        Caller.signedIn(rovek).post("/api/jobs/" + job.id() + "/stop", java.util.Map.of());
        assertThat(ended(job).state()).isEqualTo(State.STOPPED);
    }

    /** What it names on the way, a visit or a file, is in the language of whoever started it, and of nobody after. */
    @Test
    void aJobWorksInTheLanguageOfWhoeverStartedIt() {
        for (Locale language : List.of(Locale.GERMAN, Locale.ENGLISH)) {
            LocaleContextHolder.setLocale(language);
            try {
                JobView job = jobs.start(
                        "test",
                        Sentence.plain("Naming"),
                        null,
                        progress -> Sentence.plain(Wording.here().getLanguage()));
                assertThat(ended(job).sentence()).isEqualTo(Sentence.plain(language.getLanguage()));
            } finally {
                LocaleContextHolder.resetLocaleContext();
            }
        }
    }

    @Test
    void workWhoseServerDiedEndsInAClearState() throws SQLException {
        UUID id = UUID.randomUUID();
        try (var db = rovek.database().connect();
                var statement = db.createStatement()) {
            statement.execute("""
                    INSERT INTO job VALUES ('%s', 'read back', 'Reading back', 'RUNNING', 3, 10, 'Reading back', NULL, 'anna', false,
                    now() - interval '2 minutes', now() - interval '31 seconds')""".formatted(id));
        }
        JobView job = jobs.get(id);
        assertThat(job.state()).isEqualTo(State.FAILED);
        assertThat(job.sentence()).isEqualTo(Sentence.of("base.jobServerStopped"));
        assertThat(job.title()).isEqualTo(Sentence.plain("Reading back"));
    }

    @Test
    void theBrowserFollowsByEventsUntilTheEnd() throws Exception {
        CountDownLatch go = new CountDownLatch(1);
        JobView job = jobs.start("test", Sentence.of("intake.jobLoading", "name", "Followed"), null, progress -> {
            try {
                go.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return Sentence.joined(List.of(
                    Sentence.of("link.memoryFull"), Sentence.of("reading.later", "day", LocalDate.of(2026, 2, 8))));
        });
        Caller caller = Caller.signedIn(rovek);
        HttpRequest request = HttpRequest.newBuilder(URI.create(rovek.address() + "/api/jobs/" + job.id() + "/events"))
                .header("Cookie", caller.cookies() + "; language=de; days=dd/MM/yyyy")
                .build();
        var answer = HttpClient.newHttpClient().sendAsync(request, HttpResponse.BodyHandlers.ofString());
        go.countDown();
        assertThat(answer.get().body())
                .contains("event:job")
                .contains("\"state\":\"DONE\"")
                .contains("Followed wird geladen")
                .contains("Der Speicher des Messgeräts ist voll")
                .contains(" 08/02/2026");
    }
}
