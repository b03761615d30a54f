package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.nio.charset.StandardCharsets;
import java.util.List;
import keel.app.stores.Stock;
import keel.app.support.AppTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;

class LogbookTest extends AppTest {

    @Autowired
    private Logbook logbook;

    @Autowired
    private Stock stock;

    @Autowired
    private MockMvc mvc;

    @Test
    void allWordsMustBeFoundWhereverTheyStand() {
        String m = shop.maskMachine();
        shop.filmChange(m, 10);
        shop.service(m, "LEVELLING", 11, "school", "PAPER");
        assertThat(find(m, "film clouded kees")).hasSize(1);
        assertThat(find(m, "FILM")).isNotEmpty();
        assertThat(find(m, "film levelled")).isEmpty();
    }

    @Test
    void signsThatSearchUsesAreTakenAsTheyAre() {
        String m = shop.maskMachine();
        shop.failure(m, 1, "tacky");
        assertThat(find(m, "%")).isEmpty();
        assertThat(find(m, "_acky")).isEmpty();
        assertThat(find(m, "'; drop table run; --")).isEmpty();
        assertThat(find(m, "tacky")).hasSize(1);
    }

    @Test
    void whatWouldBeComputedByASpreadsheetIsMadeHarmless() throws Exception {
        String item = shop.item("Gloves", 1);
        stock.move(item, 5.0, "=cmd|' /C calc'!A0");
        var who = SecurityContextHolder.getContext().getAuthentication();
        String odd = shop.item("=1+1", 1);
        assertThat(odd).isNotNull();
        byte[] bytes = mvc.perform(get("/logbook.csv").with(authentication(who)))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        String csv = new String(bytes, StandardCharsets.UTF_8);
        assertThat(csv).startsWith("\ufeffhappened_at,written_at,machine,kind,headline");
        assertThat(csv.lines().filter(l -> l.contains("=1+1 ")).findFirst().orElseThrow())
                .matches(".*,\"?'=1\\+1 .*");
    }

    private List<LogLine> find(String machine, String text) {
        return logbook.lines(new LogFilter(machine, text, null, null, null, null, null, 0, 100));
    }
}
