package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Heads of WAV files that promise what cannot be; the layout is that of RIFF WAVE (from memory). */
class RecordingTest {

    private static byte[] wav(int channels, int rateHz, int bits, int dataBytes) {
        ByteBuffer file = ByteBuffer.allocate(44 + dataBytes).order(ByteOrder.LITTLE_ENDIAN);
        file.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + dataBytes);
        file.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
        file.putShort((short) 1).putShort((short) channels).putInt(rateHz);
        int frame = channels * bits / 8;
        file.putInt(rateHz * frame).putShort((short) frame).putShort((short) bits);
        file.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(dataBytes);
        return file.array();
    }

    @ParameterizedTest
    @CsvSource({"10000, 44100, 8", "10000, 44100, 16", "33, 48000, 16", "65535, 48000, 32"})
    void moreChannelsThanAnyDeviceHasAreRefusedAtOnce(int channels, int rate, int bits) {
        byte[] file = wav(channels, rate, bits, 20_000);
        assertTimeoutPreemptively(Duration.ofSeconds(10), () -> assertThatIllegalArgumentException()
                .isThrownBy(() -> Recording.ofWav(file)));
    }

    @Test
    void asManyAsAStudioHasAreRead() {
        assertThat(Recording.ofWav(wav(32, 8_000, 16, 32 * 2 * 4_000)).samples())
                .hasSize(4_000);
    }

    @Test
    void whatIsLongerThanCanBeUsedIsRefusedBeforeItIsUnpacked() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Recording.ofWav(wav(1, 8_000, 8, 8_000 * 30 + 1)))
                .withMessage("It is longer than 30 s, the most at its rate.");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Recording.ofWav(wav(1, 384_000, 8, 2_880_001)))
                .withMessageContaining("longer than 8 s");
        assertThat(Recording.ofWav(wav(1, 384_000, 8, 2_880_000)).samples()).hasSize(2_880_000);
    }
}
