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
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import keel.app.base.NotThere;
import keel.app.base.PictureFiles;
import keel.app.people.Actor;
import keel.app.standing.MachineNow;
import keel.core.screen.GreyPhoto;
import keel.core.screen.ScreenInspection;
import keel.core.screen.ScreenInspection.Hidden;
import keel.core.screen.ScreenInspection.OnPhoto;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.TestPattern;
import keel.core.screen.UprightPhoto;
import org.springframework.data.domain.Limit;
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
    private final ScreenRecords records;
    private final ScreenSpots spots;
    private final Clock clock;

    ScreenShots(PictureFiles files, ScreenRecords records, ScreenSpots spots, Clock clock) {
        this.files = files;
        this.records = records;
        this.spots = spots;
        this.clock = clock;
    }

    /**
     * What was seen on a photograph, and what was not; {@code onPhoto}, {@code corners} and {@code hiddenOnPhoto} in
     * pixels of the kept picture.
     */
    public record Seen(
            String message,
            Double printableShare,
            List<Spot> spots,
            List<OnPhoto> onPhoto,
            List<OnPhoto> corners,
            Double notSeen,
            List<Hidden> hidden,
            List<List<OnPhoto>> hiddenOnPhoto) {

        /** Photographs of earlier releases did not say what they do not show. */
        public Seen {
            hidden = hidden == null ? List.of() : hidden;
            hiddenOnPhoto = hiddenOnPhoto == null ? List.of() : hiddenOnPhoto;
        }

        static Seen of(ScreenInspection seen, UprightPhoto upright) {
            return new Seen(
                    seen.message(),
                    seen.printableShare(),
                    seen.spots(),
                    upright.spots(),
                    upright.corners(),
                    seen.notSeen(),
                    seen.hidden(),
                    upright.hidden());
        }
    }

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

        /** What was not seen, as polygons. */
        public List<String> hiddenPoints() {
            return seen.hiddenOnPhoto().stream()
                    .map(h -> h.stream()
                            .map(p -> String.format(Locale.ROOT, "%.1f,%.1f", p.x(), p.y()))
                            .collect(Collectors.joining(" ")))
                    .toList();
        }

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
        ScreenPhoto kept = new ScreenPhoto();
        kept.machineId = m.id();
        kept.componentId = m.screen().id();
        kept.pattern = pattern;
        kept.hash = hash;
        kept.width = upright.photo().width();
        kept.height = upright.photo().height();
        kept.content = write(Seen.of(seen, upright));
        kept.at = clock.instant();
        kept.personId = Actor.current().personId();
        return records.save(kept).id;
    }

    /** @throws NotThere if the machine has no such photograph */
    @Transactional(readOnly = true)
    public Shot one(MachineNow m, long id) {
        ScreenRecords.Taken taken = taken(m, id);
        ScreenPhoto photo = taken.photo();
        return new Shot(
                photo.id,
                photo.componentId,
                photo.pattern,
                photo.width,
                photo.height,
                photo.at,
                taken.person(),
                photo.serviceId != null,
                read(photo.content));
    }

    private ScreenRecords.Taken taken(MachineNow m, long id) {
        return records.one(id, m.id())
                .orElseThrow(() -> new NotThere("There is no such photograph of the screen of " + m.name() + "."));
    }

    @Transactional(readOnly = true)
    public byte[] picture(MachineNow m, long id) {
        return files.read(taken(m, id).photo().hash, SUFFIX);
    }

    /** A photograph without who took it; {@code spots} is how many were found on it. */
    public record Picture(long id, long screen, TestPattern pattern, Instant at, int spots, String message) {}

    /** Of the screens that were on a machine in a span, the newest first, at most so many. */
    @Transactional(readOnly = true)
    public List<Picture> pictures(long machine, Instant from, Instant to, int most) {
        return records.shots(machine, from, to, Limit.of(most)).stream()
                .map(p -> {
                    Seen seen = read(p.content);
                    return new Picture(
                            p.id, p.componentId, p.pattern, p.at, seen.spots().size(), seen.message());
                })
                .toList();
    }

    @Transactional(readOnly = true)
    public byte[] picture(long machine, long id) {
        return files.read(
                records.one(id, machine)
                        .orElseThrow(() -> new NotThere("There is no such photograph of a screen."))
                        .photo()
                        .hash,
                SUFFIX);
    }

    /** An inspection was written down from it. */
    void written(long id, long service) {
        records.findById(id).orElseThrow().serviceId = service;
        spots.forgetAfterwards();
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
