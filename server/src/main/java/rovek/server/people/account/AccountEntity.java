package rovek.server.people.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;

@Entity
@Table(name = "account")
class AccountEntity {

    @Id
    UUID id;

    String name;
    String displayName;

    @Enumerated(EnumType.STRING)
    Role role;

    String passwordHash;
    boolean active;

    /** As a BCP 47 tag; blank for the one the browser prefers. */
    String language = "";

    /** By its name in the IANA database; blank for that of the plant. */
    String timeZone = "";

    /** One of {@link rovek.server.base.wording.DayFormat#PATTERNS}; blank for the way of the language. */
    String dateFormat = "";

    @Version
    Integer version;

    Account view() {
        return new Account(
                id, name, displayName, role, active, language, timeZone, dateFormat, version == null ? 0 : version);
    }
}
