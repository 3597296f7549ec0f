package rovek.server.people.account;

import java.util.UUID;

/**
 * A person who may sign in.
 *
 * @param language that the person reads, as a BCP 47 tag; blank for the one the browser prefers
 */
public record Account(
        UUID id, String name, String displayName, Role role, boolean active, String language, int version) {}
