package keel.app.screen;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import keel.app.base.NotThere;
import keel.app.base.PictureFiles;
import keel.app.people.Actor;
import keel.app.standing.MachineNow;
import keel.core.screen.GreyPhoto;
import keel.core.screen.ScreenInspection;
import keel.core.screen.ScreenInspection.OnPhoto;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.TestPattern;
import keel.core.screen.UprightPhoto;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps photographs of lit screens, in grey, upright and small, with what was seen on them. */
@Service
@Transactional
public class ScreenShots {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int MOST_PX = 1600;
    private static final String SUFFIX = "-screen.jpg";

    private final PictureFiles files;
    private final JdbcClient jdbc;
    private final Clock clock;

    ScreenShots(PictureFiles files, JdbcClient jdbc, Clock clock) {
        this.files = files;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What was seen on a photograph; {@code onPhoto} and {@code corners} in pixels of the kept picture. */
    public record Seen(
            String message, Double printableShare, List<Spot> spots, List<OnPhoto> onPhoto, List<OnPhoto> corners) {}

    /** A photograph; {@code written} if an inspection was written down from it. */
    public record Shot(
            long id,
            long screen,
            TestPattern pattern,
            int width,
            int height,
            Instant at,
            String person,
            boolean written,
            Seen seen) {

        private static final double LEAST = 1 / 45.0;

        /** Radius of the ring that is drawn around a spot, so that it can be seen and tapped. */
        public double ring(OnPhoto spot) {
            return Math.max(1.6 * spot.r(), LEAST * width);
        }
    }

    /** @param bytes as they were brought; {@code photo} the same, decoded */
    long keep(MachineNow m, byte[] bytes, GreyPhoto photo, TestPattern pattern, ScreenInspection seen) {
        UprightPhoto upright = UprightPhoto.of(photo, seen, MOST_PX);
        String hash = PictureFiles.hash(bytes);
        try {
            files.write(hash, SUFFIX, jpeg(upright.photo()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into screen_photo (machine_id, component_id, pattern, hash, width, height, content, "
                        + "at, person_id) values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                        m.id(),
                        m.screen().id(),
                        pattern.name(),
                        hash,
                        upright.photo().width(),
                        upright.photo().height(),
                        write(new Seen(
                                seen.message(),
                                seen.printableShare(),
                                seen.spots(),
                                upright.spots(),
                                upright.corners())),
                        clock.instant().atOffset(ZoneOffset.UTC),
                        Actor.current().personId())
                .update(key, "id");
        return key.getKeyAs(Long.class);
    }

    /** @throws NotThere if the machine has no such photograph */
    @Transactional(readOnly = true)
    public Shot one(MachineNow m, long id) {
        return jdbc.sql(
                        """
                select s.id, s.component_id, s.pattern, s.width, s.height, s.at, p.name, s.service_id, s.content
                from screen_photo s join person p on p.id = s.person_id
                where s.id = ? and s.machine_id = ?""")
                .params(id, m.id())
                .query((row, i) -> new Shot(
                        row.getLong(1),
                        row.getLong(2),
                        TestPattern.valueOf(row.getString(3)),
                        row.getInt(4),
                        row.getInt(5),
                        row.getObject(6, OffsetDateTime.class).toInstant(),
                        row.getString(7),
                        row.getObject(8) != null,
                        read(row.getString(9))))
                .optional()
                .orElseThrow(() -> new NotThere("There is no such photograph of the screen of " + m.name() + "."));
    }

    @Transactional(readOnly = true)
    public byte[] picture(MachineNow m, long id) {
        Optional<String> hash = jdbc.sql("select hash from screen_photo where id = ? and machine_id = ?")
                .params(id, m.id())
                .query(String.class)
                .optional();
        return files.read(
                hash.orElseThrow(() -> new NotThere("There is no such photograph of the screen of " + m.name() + ".")),
                SUFFIX);
    }

    /** An inspection was written down from it. */
    void written(long id, long service) {
        jdbc.sql("update screen_photo set service_id = ? where id = ?")
                .params(service, id)
                .update();
    }

    private static byte[] jpeg(GreyPhoto photo) throws IOException {
        BufferedImage image = new BufferedImage(photo.width(), photo.height(), BufferedImage.TYPE_BYTE_GRAY);
        System.arraycopy(
                photo.grey(),
                0,
                ((DataBufferByte) image.getRaster().getDataBuffer()).getData(),
                0,
                photo.grey().length);
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(image, "jpg", out);
            return out.toByteArray();
        }
    }

    private static String write(Seen seen) {
        try {
            return JSON.writeValueAsString(seen);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Seen read(String content) {
        try {
            return JSON.readValue(content, Seen.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
