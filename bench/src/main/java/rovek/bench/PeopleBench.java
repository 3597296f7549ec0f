package rovek.bench;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/**
 * Sixty people at one server of a hundred thousand checks: they sign in, read, page and, one time in ten, write; each
 * looks at what came for a while.
 */
final class PeopleBench {

    private static final int PEOPLE = 60;
    private static final int PAGES_A_SESSION = 12;
    private static final Duration LENGTH = Duration.ofMinutes(3);
    private static final int LONGEST_LOOK_MILLIS = 4_000;
    private static final int MOST_TRIES = 120;
    private static final int WANTED_MILLIS = 500;
    private static final String PASSWORD = "sixty-gulls-on-a-quay";

    private final ConcurrentLinkedQueue<Asked> asked = new ConcurrentLinkedQueue<>();

    private record Asked(String what, Person.Answer answer) {}

    /** @return what was measured, a line each */
    List<String> run() throws Exception {
        return new ServerRun().measure(BigPlant::plant, this::measure);
    }

    /** The same people at two servers on one database, every other one at the second. */
    List<String> runAtTwo() throws Exception {
        return new ServerRun().measureTwo(BigPlant::plant, this::measure);
    }

    private List<String> measure(ServerRun.Running running) throws Exception {
        Person administrator = new Person(running.address());
        signInOnceThere(administrator);
        for (int i = 0; i < PEOPLE; i++) {
            Person.Answer added = administrator.call(
                    "POST",
                    "/api/accounts",
                    "{\"name\":\"person%d\",\"displayName\":\"Person %d\",\"role\":\"TECHNICIAN\",\"password\":\"%s\"}"
                            .formatted(i, i, PASSWORD));
            if (added.status() != 201) {
                throw new IllegalStateException(added.toString());
            }
        }
        // All checks are judged once after the start, whoever asks.
        administrator.call("POST", "/api/outline", "{}");
        ExecutorService crowd = Executors.newFixedThreadPool(PEOPLE);
        long until = System.nanoTime() + LENGTH.toNanos();
        List<Callable<Void>> days = new ArrayList<>();
        for (int i = 0; i < PEOPLE; i++) {
            int one = i;
            days.add(() -> day(running.addressOf(one), one, until));
        }
        for (Future<Void> day : crowd.invokeAll(days)) {
            day.get();
        }
        crowd.shutdown();
        return said(
                ServerRun.peakMegabytes(running.process()),
                running.second().isPresent() ? "two servers" : "one server");
    }

    /** The first administrator is made a moment after the server answers. */
    private static void signInOnceThere(Person administrator) throws InterruptedException {
        for (int i = 0; i < MOST_TRIES; i++) {
            if (administrator.signIn("bench", ServerRun.PASSWORD).status() == 200) {
                return;
            }
            Thread.sleep(500);
        }
        throw new IllegalStateException("The administrator cannot sign in.");
    }

    private Void day(String address, int one, long until) throws InterruptedException {
        Random random = new Random(one);
        Thread.sleep(random.nextInt(LONGEST_LOOK_MILLIS));
        while (System.nanoTime() < until) {
            Person person = new Person(address);
            note("signing in", person.signIn("person" + one, PASSWORD));
            for (int page = 0; page < PAGES_A_SESSION && System.nanoTime() < until; page++) {
                visit(person, random);
                Thread.sleep(random.nextInt(LONGEST_LOOK_MILLIS));
            }
            note("signing out", person.call("DELETE", "/api/session", null));
        }
        return null;
    }

    private void visit(Person person, Random random) throws InterruptedException {
        String asset = BigPlant.id(4, 1 + random.nextInt(BigPlant.ASSETS));
        String check = BigPlant.id(6, 1 + random.nextInt(BigPlant.CHECKS));
        switch (random.nextInt(10)) {
            case 0 -> note("today", person.call("GET", "/api/today", null));
            case 1, 2 -> note("plant", person.call("POST", "/api/outline", "{\"reveal\":\"" + asset + "\"}"));
            case 3, 4 -> note("sheet", person.call("GET", "/api/nodes/" + asset + "/sheet", null));
            case 5 -> note("trend", person.call("GET", "/api/checks/" + check + "/trend", null));
            case 6 -> note("visits", person.call("GET", "/api/visits", null));
            case 7 ->
                note(
                        "finding by tag",
                        person.call("GET", "/api/outline/find?text=P-1" + (1_000 + random.nextInt(8_000)), null));
            case 8 ->
                note("only what fails", person.call("POST", "/api/outline", "{\"filter\":{\"verdict\":\"FAIL\"}}"));
            // Every other check is one of velocity.
            default ->
                note(
                        "writing a limit",
                        person.call(
                                "PUT",
                                "/api/nodes/" + BigPlant.id(6, 1 + 2 * random.nextInt(BigPlant.CHECKS / 2))
                                        + "/limits/vibration/velocity.rms",
                                ("{\"limit\":{\"rules\":[{\"kind\":\"ABOVE\",\"watch\":%d,\"fail\":9,"
                                                + "\"isShare\":true,\"isRobust\":true}],\"hysteresis\":0,\"boundaryIsPast\":false},"
                                                + "\"isInherited\":false,\"from\":null}")
                                        .formatted(1 + random.nextInt(7))));
        }
    }

    private void note(String what, Person.Answer answer) {
        asked.add(new Asked(what, answer));
    }

    private List<String> said(long megabytes, String servers) {
        List<String> lines = new ArrayList<>();
        lines.add("%d people for %d minutes at %s, %,d checks"
                .formatted(PEOPLE, LENGTH.toMinutes(), servers, BigPlant.CHECKS));
        Map<String, List<Person.Answer>> byWhat = new TreeMap<>();
        asked.forEach(one ->
                byWhat.computeIfAbsent(one.what(), none -> new ArrayList<>()).add(one.answer()));
        byWhat.forEach((what, answers) -> lines.add(line(what, answers)));
        List<Person.Answer> all = asked.stream().map(Asked::answer).toList();
        lines.add(
                line("all together", all) + " (wanted: none failed, 95 of 100 within %d ms)".formatted(WANTED_MILLIS));
        asked.stream().filter(one -> isFailed(one.answer())).limit(5).forEach(one -> lines.add("  failed: " + one));
        lines.add("  server: heap limit 768 MB, largest resident size %d MB".formatted(megabytes));
        return lines;
    }

    private static boolean isFailed(Person.Answer answer) {
        return answer.status() < 200 || answer.status() > 299;
    }

    private static String line(String what, List<Person.Answer> answers) {
        double[] millis =
                answers.stream().mapToDouble(Person.Answer::millis).sorted().toArray();
        return "  %s: %d times, %d failed, median %.0f ms, 95 of 100 within %.0f ms, longest %.0f ms"
                .formatted(
                        what,
                        millis.length,
                        answers.stream().filter(PeopleBench::isFailed).count(),
                        millis[millis.length / 2],
                        millis[(int) (millis.length * 0.95)],
                        Arrays.stream(millis).max().orElse(0));
    }
}
