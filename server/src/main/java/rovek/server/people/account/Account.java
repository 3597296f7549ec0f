package rovek.server.people.account;

import java.util.UUID;

/**
 * A person who may sign in.
 *
 * @param language that the person reads, as a BCP 47 tag; blank for the one the browser prefers
 * @param timeZone that the person reads times in, by its name in the IANA database; blank for the plant's
 * @param dateFormat how the person reads dates; blank for the way of the language
 */
public record Account(
        UUID id,
        String name,
        String displayName,
        Role role,
        boolean active,
        String language,
        String timeZone,
        String dateFormat,
        int version) {}
