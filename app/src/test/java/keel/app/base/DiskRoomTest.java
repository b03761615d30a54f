package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import keel.app.people.Role;
import keel.app.support.PageTest;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** A disk that fills up: writes are refused with the reason before it is full, and go on by themselves. */
class DiskRoomTest extends PageTest {

    @Autowired
    private DiskRoom room;

    @Autowired
    private MockMvc mvc;

    @AfterEach
    void there() {
        room.least(60);
    }

    @Test
    void nothingIsWrittenWhileThereIsNoRoomAndEverythingIsShown() throws Exception {
        String machine = shop.maskMachine();
        String path = "/machines/" + machine + "/services/LUBRICATION";
        room.least(Long.MAX_VALUE);
        assertThat(refused(507, "The disk is full", path, "part", "SCREW")).contains("nothing is lost");
        assertThat(page("/machines/" + machine)).contains("class");
        shop.as("owner");
        String token = shop.token(Role.OWNER);
        room.least(Long.MAX_VALUE);
        MockHttpServletResponse answer = mvc.perform(post("/api/v1/services")
                        .header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"machine\":\"" + machine + "\",\"kind\":\"PLATE_CLEARED\"}"))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).isEqualTo(507);
        assertThat(answer.getContentType()).startsWith("application/problem+json");
        shop.as("keeper");
        room.least(60);
        accepted(path, "part", "SCREW");
    }

    @Test
    void theOwnerIsWarnedBeforehand() {
        shop.as("owner");
        assertThat(page("/fleet")).doesNotContain("left on the disk");
        accepted("/setup/figures", "disk.warnMb", "10000000");
        assertThat(page("/fleet")).contains("left on the disk where the records lie");
        accepted("/setup/figures", "disk.warnMb", "1000");
    }
}
