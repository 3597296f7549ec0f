package rovek.server.people.account;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;

/** Passwords that are guessed first: the commonest, their usual variations, and what is made of a person's own name. */
final class EasyPasswords {

    /** What a guesser reaches with a million tries; the library's scale goes from 0 to 4. */
    private static final int EASILY_GUESSED = 1;

    private static final int MOST_LOOKED_AT = 72;

    /** Made once: it reads its dictionaries then. It changes nothing when it measures. */
    private static final Zxcvbn MEASURE = new Zxcvbn();

    private EasyPasswords() {}

    static boolean isEasy(String password, String... names) {
        List<String> known =
                new ArrayList<>(Arrays.stream(names).filter(Objects::nonNull).toList());
        known.add("rovek");
        String begin = password.substring(0, Math.min(password.length(), MOST_LOOKED_AT));
        return MEASURE.measure(begin, known).getScore() <= EASILY_GUESSED;
    }
}
