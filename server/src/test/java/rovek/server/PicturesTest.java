package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

@ExtendWith(SharedRovek.class)
class PicturesTest {

    private final Caller caller;
    private final SmallPlant plant;

    PicturesTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private static byte[] picture(String format, int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < width; x++) {
            for (int y = 0; y < height; y++) {
                image.setRGB(x, y, new Color(0x20 + x * 90 / width, 0x60, 0x40 + y * 90 / height).getRGB());
            }
        }
        return written(format, image);
    }

    private static byte[] written(String format, BufferedImage image) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(image, format, out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private Caller.Answer add(String id, String node, byte[] bytes) {
        return caller.sendFile("/api/nodes/" + node + "/pictures?title=From%20the%20door&id=" + id, "pump.jpg", bytes);
    }

    private String parentOf(String node) {
        return plant.row(node).get("node").get("parentId").asString();
    }

    private static Map<String, Object> spot(String node, double x, double y) {
        return Map.of("nodeId", node, "x", x, "y", y);
    }

    @Test
    void aPictureIsKeptAsItCameOnceHoweverOftenItIsSent() {
        String asset = parentOf(parentOf(plant.pump("P-41").get(0)));
        byte[] bytes = picture("jpeg", 320, 200);
        String id = UUID.randomUUID().toString();
        JsonNode added = add(id, asset, bytes).ok();
        add(id, asset, bytes).ok();
        assertThat(added.get("width").asInt()).isEqualTo(320);
        assertThat(caller.get("/api/pictures/" + id + "/image").bytes()).isEqualTo(bytes);
        assertThat(caller.get("/api/nodes/" + asset + "/pictures").ok()).hasSize(1);
        assertThat(caller.delete("/api/pictures/" + id).status()).isEqualTo(204);
        assertThat(caller.get("/api/nodes/" + asset + "/pictures").ok()).isEmpty();
        assertThat(caller.get("/api/nodes/" + asset + "/pictures/removed").ok().get(0).get("id").asString()).isEqualTo(id);
        assertThat(caller.post("/api/pictures/" + id + "/bring-back", null).status()).isEqualTo(204);
        assertThat(caller.get("/api/nodes/" + asset + "/pictures").ok()).hasSize(1);
    }

    @Test
    void whatIsNoWholePngOrJpegIsRefusedWithASentence() {
        String asset = parentOf(parentOf(plant.pump("P-42").get(0)));
        byte[] whole = picture("jpeg", 800, 600);
        Map<String, byte[]> wrong = Map.of(
                "no picture", "tag;name\nP-1;Pump".getBytes(), "PNG or JPEG file, not GIF", picture("gif", 20, 20),
                "damaged or cut off", Arrays.copyOf(whole, whole.length / 2), "dots", written("png", new BufferedImage(6_000, 4_100, BufferedImage.TYPE_BYTE_BINARY)));
        wrong.forEach((sentence, bytes) -> {
            Caller.Answer answer = add(UUID.randomUUID().toString(), asset, bytes);
            assertThat(answer.status()).as(sentence).isEqualTo(422);
            assertThat(answer.sentence()).contains(sentence);
        });
        Caller.Answer cutPng = add(UUID.randomUUID().toString(), asset, Arrays.copyOf(picture("png", 300, 300), 400));
        assertThat(cutPng.sentence()).contains("damaged or cut off");
        assertThat(caller.get("/api/nodes/" + asset + "/pictures").ok()).isEmpty();
    }

    @Test
    void spotsLieOnThePictureAndBelongToPointsBeneathIt() {
        List<String> checks = plant.pump("P-43");
        String point = parentOf(checks.get(0));
        String asset = parentOf(point);
        String elsewhere = parentOf(plant.pump("P-44").get(0));
        String id = UUID.randomUUID().toString();
        int version = add(id, asset, picture("png", 100, 80)).ok().get("version").asInt();
        Map<String, Object> draft = new HashMap<>(Map.of("title", "Side", "spots", List.of(spot(point, 0.25, 0.5)), "version", version));
        JsonNode changed = caller.put("/api/pictures/" + id, draft).ok();
        assertThat(changed.get("spots").get(0).get("x").asDouble()).isEqualTo(0.25);
        assertThat(caller.put("/api/pictures/" + id, draft).status()).as("of an older version").isEqualTo(409);
        assertThat(caller.get("/api/nodes/" + point + "/pictures").ok().get(0).get("id").asString()).as("a point shows its asset's").isEqualTo(id);
        draft.put("version", changed.get("version").asInt());
        draft.put("spots", List.of(spot(point, 1.2, 0.5)));
        assertThat(caller.put("/api/pictures/" + id, draft).status()).isEqualTo(422);
        draft.put("spots", List.of(spot(elsewhere, 0.2, 0.5)));
        assertThat(caller.put("/api/pictures/" + id, draft).status()).isEqualTo(404);
        plant.remove(point).ok();
        draft.put("spots", List.of());
        draft.put("title", "Other side");
        assertThat(caller.put("/api/pictures/" + id, draft).ok().get("spots")).as("a removed point may come back").hasSize(1);
    }

    @Test
    void aStopShowsItsPictureOnTheInstrumentWithARingRoundThePoint(@TempDir Path memory) throws IOException {
        List<String> checks = plant.pump("P-45");
        String point = parentOf(checks.get(0));
        String id = UUID.randomUUID().toString();
        int version = add(id, parentOf(point), picture("png", 1_200, 800)).ok().get("version").asInt();
        caller.put("/api/pictures/" + id, Map.of("title", "", "spots", List.of(spot(point, 0.5, 0.5)), "version", version)).ok();
        String route = UUID.randomUUID().toString();
        JsonNode saved = caller.put("/api/routes/" + route, Map.of("name", "With a picture", "checkIds", checks, "pictures", Map.of(checks.get(0), id), "version", 0)).ok();
        assertThat(saved.get("stops").get(0).get("pictureId").asString()).isEqualTo(id);
        try (FieldDay day = new FieldDay(memory)) {
            day.load(caller, day.connect(caller), route);
            JsonNode stops = day.press("/api/battery", Map.of("percent", 70)).get("stops");
            assertThat(stops.get(1).get("picture").asString()).isEmpty();
            String name = stops.get(0).get("picture").asString();
            BufferedImage shown = ImageIO.read(URI.create(day.panelAddress() + "/" + name).toURL());
            assertThat(shown.getWidth()).isEqualTo(640);
            int radius = 640 / 24;
            BufferedImage plain = ImageIO.read(new ByteArrayInputStream(picture("png", 640, 427)));
            assertThat(distance(shown, plain, 320 + radius, 213)).as("the ring").isGreaterThan(60);
            assertThat(distance(shown, plain, 320, 213)).as("within it").isLessThan(20);
        }
    }

    private static int distance(BufferedImage one, BufferedImage other, int x, int y) {
        Color a = new Color(one.getRGB(x, y));
        Color b = new Color(other.getRGB(x, y));
        return Math.abs(a.getRed() - b.getRed()) + Math.abs(a.getGreen() - b.getGreen()) + Math.abs(a.getBlue() - b.getBlue());
    }
}
