package rovek.server.intake.live;

import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps a view on this server in step with the others, a few times a second: one of them asks the source and shows what
 * it was told, the others show the same. Where the one that asks is gone, the next one asks. What is recorded, and what
 * the channels must keep to, stands in the database, and may have been said at any server.
 */
final class LiveSharing implements Runnable {

    private static final Logger LOG = LoggerFactory.getLogger(LiveSharing.class);

    private final LiveTarget target;
    private final LiveSession session;
    private final SharedViews views;
    private final LiveRows rows;
    private final UUID holder = UUID.randomUUID();
    private volatile boolean holds;
    private volatile boolean hasEnded;
    private boolean isAway;
    private boolean wasFollowed;
    private UUID heardFrom = holder;
    private long heard;

    LiveSharing(LiveTarget target, LiveSession session, SharedViews views, LiveRows rows) {
        this.target = target;
        this.session = session;
        this.views = views;
        this.rows = rows;
    }

    /** Whether this server is the one that asks. */
    boolean holds() {
        return holds;
    }

    @Override
    public void run() {
        if (hasEnded) {
            return;
        }
        try {
            step();
            isAway = false;
        } catch (RuntimeException away) {
            // Whoever asks goes on asking: nobody else can take it over while the database is away.
            if (!isAway) {
                LOG.warn(
                        "The live view of {} cannot be shared for now; it is tried again.",
                        session.source().title(),
                        away);
            }
            isAway = true;
        }
        if (hasEnded) {
            // It ended while this was under way, which may have taken it once more.
            release();
        }
    }

    private void step() {
        long said = session.said();
        if (holds) {
            hold();
        }
        if (!holds) {
            views.follow(target).ifPresentOrElse(this::hear, () -> holds = views.take(target, holder));
        }
        session.learn(said, rows.limits(target), rows.open(target));
        if (holds) {
            session.recordWhatIsOpen();
        }
    }

    private void hold() {
        views.renew(target, holder)
                .ifPresentOrElse(
                        isFollowed -> {
                            session.followed(isFollowed);
                            if (wasFollowed && !isFollowed) {
                                // Whoever follows next must not take for news what is long past.
                                views.hide(target, holder);
                            }
                            wasFollowed = isFollowed;
                            if (isFollowed) {
                                views.show(target, holder, session.shared());
                            }
                        },
                        () -> {
                            LOG.warn(
                                    "The live view of {} was taken over by another server.",
                                    session.source().title());
                            holds = false;
                            session.leaveToAnother();
                        });
    }

    private void hear(SharedViews.Followed followed) {
        if (!followed.holder().equals(heardFrom)) {
            heardFrom = followed.holder();
            heard = 0;
        }
        followed.shown().ifPresent(view -> heard = session.hear(view, heard));
    }

    /** Leaves it to whoever wants it next. Where the database is away it runs out by itself. */
    void end() {
        hasEnded = true;
        release();
    }

    private void release() {
        if (holds) {
            holds = false;
            try {
                views.release(target, holder);
            } catch (RuntimeException away) {
                LOG.debug(
                        "The live view of {} runs out by itself.",
                        session.source().title(),
                        away);
            }
        }
    }
}
