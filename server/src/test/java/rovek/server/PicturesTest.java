package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
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
    void aPictureIsKeptOnceHoweverOftenItIsSent() throws IOException {
        String asset = parentOf(parentOf(plant.pump("P-41").get(0)));
        byte[] bytes = picture("jpeg", 320, 200);
        String id = UUID.randomUUID().toString();
        JsonNode added = add(id, asset, bytes).ok();
        add(id, asset, bytes).ok();
        assertThat(added.get("width").asInt()).isEqualTo(320);
        BufferedImage kept = ImageIO.read(new ByteArrayInputStream(
                caller.get("/api/pictures/" + id + "/image").bytes()));
        BufferedImage brought = ImageIO.read(new ByteArrayInputStream(bytes));
        for (int x = 0; x < 320; x += 13) {
            assertThat(new Color(kept.getRGB(x, 100)).getRed())
                    .isCloseTo(new Color(brought.getRGB(x, 100)).getRed(), within(6));
            assertThat(new Color(kept.getRGB(x, 100)).getBlue())
                    .isCloseTo(new Color(brought.getRGB(x, 100)).getBlue(), within(6));
        }
        assertThat(caller.get("/api/nodes/" + asset + "/pictures").ok()).hasSize(1);
        assertThat(caller.delete("/api/pictures/" + id).status()).isEqualTo(204);
        assertThat(caller.get("/api/nodes/" + asset + "/pictures").ok()).isEmpty();
        assertThat(caller.get("/api/nodes/" + asset + "/pictures/removed")
                        .ok()
                        .get(0)
                        .get("id")
                        .asString())
                .isEqualTo(id);
        assertThat(caller.post("/api/pictures/" + id + "/bring-back", null).status())
                .isEqualTo(204);
        assertThat(caller.get("/api/nodes/" + asset + "/pictures").ok()).hasSize(1);
    }

    /** A segment as a camera writes it (Exif 2.32, 4.5.4): the side that is up, and the place. */
    private static byte[] withExif(byte[] jpeg, int orientation, String place) {
        byte[] words = place.getBytes(StandardCharsets.US_ASCII);
        ByteBuffer tiff = ByteBuffer.allocate(64 + words.length);
        tiff.put("MM".getBytes(StandardCharsets.US_ASCII)).putShort((short) 42).putInt(8);
        tiff.putShort((short) 2);
        tiff.putShort((short) 0x010E).putShort((short) 2).putInt(words.length).putInt(38);
        tiff.putShort((short) 0x0112)
                .putShort((short) 3)
                .putInt(1)
                .putShort((short) orientation)
                .putShort((short) 0);
        tiff.putInt(0);
        tiff.put(words);
        byte[] body = Arrays.copyOf(tiff.array(), tiff.position());
        ByteBuffer out = ByteBuffer.allocate(jpeg.length + body.length + 10);
        out.put(jpeg, 0, 2)
                .putShort((short) 0xFFE1)
                .putShort((short) (body.length + 8))
                .put("Exif\0\0".getBytes(StandardCharsets.US_ASCII))
                .put(body);
        out.put(jpeg, 2, jpeg.length - 2);
        return out.array();
    }

    @Test
    void whatACameraWritesBesideTheDotsIsLeftBehindAndTheRightSideIsUp() throws IOException {
        String asset = parentOf(parentOf(plant.pump("P-46").get(0)));
        String id = UUID.randomUUID().toString();
        byte[] bytes = withExif(picture("jpeg", 320, 200), 6, "51.0N 7.0E");
        assertThat(new String(bytes, StandardCharsets.ISO_8859_1)).contains("51.0N 7.0E");
        JsonNode added = add(id, asset, bytes).ok();
        assertThat(added.get("width").asInt()).as("the camera was held upright").isEqualTo(200);
        assertThat(added.get("height").asInt()).isEqualTo(320);
        String kept = new String(caller.get("/api/pictures/" + id + "/image").bytes(), StandardCharsets.ISO_8859_1);
        assertThat(kept).doesNotContain("51.0N", "Exif");
    }

    /** 300 MB of nothing in a compressed text beside the pixels (ISO/IEC 15948, 11.3.4.3). */
    private static byte[] withHugeText(byte[] png, int megabytes) throws IOException {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        packed.write("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
        try (DeflaterOutputStream deflater = new DeflaterOutputStream(packed)) {
            byte[] nothing = new byte[1 << 20];
            for (int i = 0; i < megabytes; i++) {
                deflater.write(nothing);
            }
        }
        byte[] type = "zTXt".getBytes(StandardCharsets.US_ASCII);
        CRC32 sum = new CRC32();
        sum.update(type);
        sum.update(packed.toByteArray());
        int afterHeader = 8 + 12 + 13;
        ByteBuffer out = ByteBuffer.allocate(png.length + packed.size() + 12);
        out.put(png, 0, afterHeader)
                .putInt(packed.size())
                .put(type)
                .put(packed.toByteArray())
                .putInt((int) sum.getValue());
        out.put(png, afterHeader, png.length - afterHeader);
        return out.array();
    }

    @Test
    void aTextThatUnpacksToAThousandTimesItsLengthIsPassedOver() throws Exception {
        String asset = parentOf(parentOf(plant.pump("P-47").get(0)));
        BufferedImage palette = new BufferedImage(40, 30, BufferedImage.TYPE_BYTE_INDEXED);
        byte[] bomb = withHugeText(written("png", palette), 300);
        assertThat(bomb.length).isLessThan(400_000);
        List<Integer> statuses = Crowd.together(
                6, one -> () -> add(UUID.randomUUID().toString(), asset, bomb).status());
        assertThat(statuses).allMatch(status -> status == 201);
        String id = caller.get("/api/nodes/" + asset + "/pictures")
                .ok()
                .get(0)
                .get("id")
                .asString();
        assertThat(caller.get("/api/pictures/" + id + "/image").bytes().length)
                .as("nothing of it is kept")
                .isLessThan(10_000);
    }

    @Test
    void whatIsNoWholePngOrJpegIsRefusedWithASentence() {
        String asset = parentOf(parentOf(plant.pump("P-42").get(0)));
        byte[] whole = picture("jpeg", 800, 600);
        Map<String, byte[]> wrong = Map.of(
                "not a picture",
                "tag;name\nP-1;Pump".getBytes(),
                "PNG or JPEG file, not GIF",
                picture("gif", 20, 20),
                "damaged or incomplete",
                Arrays.copyOf(whole, whole.length / 2),
                "pixels",
                written("png", new BufferedImage(6_000, 4_100, BufferedImage.TYPE_BYTE_BINARY)));
        wrong.forEach((sentence, bytes) -> {
            Caller.Answer answer = add(UUID.randomUUID().toString(), asset, bytes);
            assertThat(answer.status()).as(sentence).isEqualTo(422);
            assertThat(answer.sentence()).contains(sentence);
        });
        Caller.Answer cutPng = add(UUID.randomUUID().toString(), asset, Arrays.copyOf(picture("png", 300, 300), 400));
        assertThat(cutPng.sentence()).contains("damaged or incomplete");
        assertThat(caller.get("/api/nodes/" + asset + "/pictures").ok()).isEmpty();
    }

    @Test
    void spotsLieOnThePictureAndBelongToPointsBelowIt() {
        List<String> checks = plant.pump("P-43");
        String point = parentOf(checks.get(0));
        String asset = parentOf(point);
        String elsewhere = parentOf(plant.pump("P-44").get(0));
        String id = UUID.randomUUID().toString();
        int version =
                add(id, asset, picture("png", 100, 80)).ok().get("version").asInt();
        Map<String, Object> draft =
                new HashMap<>(Map.of("title", "Side", "spots", List.of(spot(point, 0.25, 0.5)), "version", version));
        JsonNode changed = caller.put("/api/pictures/" + id, draft).ok();
        assertThat(changed.get("spots").get(0).get("x").asDouble()).isEqualTo(0.25);
        assertThat(caller.put("/api/pictures/" + id, draft).status())
                .as("of an older version")
                .isEqualTo(409);
        assertThat(caller.get("/api/nodes/" + point + "/pictures")
                        .ok()
                        .get(0)
                        .get("id")
                        .asString())
                .as("a point shows its asset's")
                .isEqualTo(id);
        draft.put("version", changed.get("version").asInt());
        draft.put("spots", List.of(spot(point, 1.2, 0.5)));
        assertThat(caller.put("/api/pictures/" + id, draft).status()).isEqualTo(422);
        draft.put("spots", List.of(spot(elsewhere, 0.2, 0.5)));
        assertThat(caller.put("/api/pictures/" + id, draft).status()).isEqualTo(404);
        plant.remove(point).ok();
        draft.put("spots", List.of());
        draft.put("title", "Other side");
        assertThat(caller.put("/api/pictures/" + id, draft).ok().get("spots"))
                .as("a removed point may come back")
                .hasSize(1);
    }

    @Test
    void aStopShowsItsPictureOnTheInstrumentWithARingRoundThePoint(@TempDir Path memory) throws IOException {
        List<String> checks = plant.pump("P-45");
        String point = parentOf(checks.get(0));
        String id = UUID.randomUUID().toString();
        int version = add(id, parentOf(point), picture("png", 1_200, 800))
                .ok()
                .get("version")
                .asInt();
        caller.put(
                        "/api/pictures/" + id,
                        Map.of("title", "", "spots", List.of(spot(point, 0.5, 0.5)), "version", version))
                .ok();
        String route = UUID.randomUUID().toString();
        JsonNode saved = caller.put(
                        "/api/routes/" + route,
                        Map.of(
                                "name",
                                "With a picture",
                                "checkIds",
                                checks,
                                "pictures",
                                Map.of(checks.get(0), id),
                                "version",
                                0))
                .ok();
        assertThat(saved.get("stops").get(0).get("pictureId").asString()).isEqualTo(id);
        try (FieldDay day = new FieldDay(memory)) {
            day.load(caller, day.connect(caller), route);
            JsonNode stops = day.press("/api/battery", Map.of("percent", 70)).get("stops");
            assertThat(stops.get(1).get("picture").asString()).isEmpty();
            String name = stops.get(0).get("picture").asString();
            BufferedImage shown =
                    ImageIO.read(URI.create(day.panelAddress() + "/" + name).toURL());
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
        return Math.abs(a.getRed() - b.getRed())
                + Math.abs(a.getGreen() - b.getGreen())
                + Math.abs(a.getBlue() - b.getBlue());
    }
}
