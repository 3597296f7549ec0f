package rovek.server.plant.tree;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import rovek.core.plant.Level;

/** A row of the plant, whole: its nameplate, settings and limits stand in it. */
@Entity
@Table(name = "node")
class NodeEntity {

    @Id
    UUID id;

    /** Null for what stands at the top. */
    UUID parentId;

    @Enumerated(EnumType.STRING)
    Level level;

    long place;
    String tag;
    String name;
    String technique;
    String assetClass;

    /** The nameplate, as JSON; likewise {@code settings} and {@code limits}. */
    @JdbcTypeCode(SqlTypes.JSON)
    String attributes;

    @JdbcTypeCode(SqlTypes.JSON)
    String settings;

    @JdbcTypeCode(SqlTypes.JSON)
    String limits;

    /** What it was stamped out of; blank for nothing. */
    String stamp;

    /** The change that removed it; null while it stands. */
    UUID removal;
}
