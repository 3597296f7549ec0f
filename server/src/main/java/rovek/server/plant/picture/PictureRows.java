package rovek.server.plant.picture;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Repository;
import rovek.link.Sha256;

/** Pictures in the database. */
@Repository
class PictureRows {

    private final PictureRepository pictures;
    private final PictureSpotRepository spots;

    PictureRows(PictureRepository pictures, PictureSpotRepository spots) {
        this.pictures = pictures;
        this.spots = spots;
    }

    void add(UUID id, UUID node, String title, PictureFile file, Instant at, String actor) {
        PictureEntity picture = new PictureEntity();
        picture.id = id;
        picture.nodeId = node;
        picture.title = title;
        picture.mediaType = file.mediaType();
        picture.width = file.width();
        picture.height = file.height();
        picture.sha256 = Sha256.of(file.bytes());
        picture.bytes = file.bytes();
        picture.at = at;
        picture.actor = actor;
        pictures.add(picture);
    }

    List<PictureView> of(UUID node, boolean removed) {
        return withSpots(pictures.of(node, removed));
    }

    /** Also one that was removed: it can be brought back. */
    Optional<PictureView> find(UUID id) {
        return withSpots(pictures.find(id)).stream().findFirst();
    }

    private List<PictureView> withSpots(List<PictureRepository.Line> lines) {
        Map<UUID, List<PictureView.Spot>> seen = new HashMap<>();
        spots.of(lines.stream().map(PictureRepository.Line::id).toList())
                .forEach(spot -> seen.computeIfAbsent(spot.pictureId(), id -> new ArrayList<>())
                        .add(new PictureView.Spot(spot.nodeId(), spot.x(), spot.y())));
        return lines.stream()
                .map(one -> new PictureView(
                        one.id(),
                        one.nodeId(),
                        one.title(),
                        one.width(),
                        one.height(),
                        seen.getOrDefault(one.id(), List.of()),
                        one.at().toString(),
                        one.actor(),
                        one.version()))
                .toList();
    }

    Optional<PictureRepository.Image> image(UUID id) {
        return pictures.image(id);
    }

    /** @return whether it still was of that version */
    boolean change(UUID id, String title, Collection<PictureView.Spot> wanted, int version) {
        boolean isSame = pictures.change(id, title, version) == 1;
        if (isSame) {
            spots.removeAllOf(id);
            wanted.forEach(one -> {
                PictureSpotEntity spot = new PictureSpotEntity();
                spot.pictureId = id;
                spot.nodeId = one.nodeId();
                spot.x = one.x();
                spot.y = one.y();
                spots.add(spot);
            });
        }
        return isSame;
    }

    void setRemoved(UUID id, boolean removed) {
        pictures.setRemoved(id, removed);
    }

    /** A picture for each of these nodes that is seen on one: the newest. */
    Map<UUID, UUID> showing(Collection<UUID> nodes) {
        Map<UUID, UUID> found = new HashMap<>();
        spots.showing(nodes).forEach(one -> found.put(one.nodeId(), one.pictureId()));
        return found;
    }
}
