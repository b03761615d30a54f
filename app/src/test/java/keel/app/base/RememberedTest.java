package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class RememberedTest {

    @Test
    void anAnswerIsKeptUntilItIsForgotten() {
        Remembered<Integer> answer = new Remembered<>();
        AtomicInteger asked = new AtomicInteger();
        assertThat(answer.get(asked::incrementAndGet)).isEqualTo(1);
        assertThat(answer.get(asked::incrementAndGet)).isEqualTo(1);
        answer.forgetAfterwards();
        assertThat(answer.get(asked::incrementAndGet)).isEqualTo(2);
    }

    /** A reckoning that read the old state and ends after the change must not stay. */
    @Test
    void aReckoningUnderWayIsForgottenToo() throws InterruptedException {
        Remembered<String> answer = new Remembered<>();
        CountDownLatch reading = new CountDownLatch(1);
        CountDownLatch mayEnd = new CountDownLatch(1);
        CompletableFuture<String> old = CompletableFuture.supplyAsync(() -> answer.get(() -> {
            reading.countDown();
            await(mayEnd);
            return "old";
        }));
        reading.await();
        CompletableFuture<Void> forgotten = CompletableFuture.runAsync(answer::forget);
        mayEnd.countDown();
        assertThat(old.join()).isEqualTo("old");
        forgotten.join();
        assertThat(answer.get(() -> "new")).isEqualTo("new");
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
