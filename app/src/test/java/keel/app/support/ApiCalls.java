package keel.app.support;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import keel.app.people.Role;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Asks the open interface as a program of the owner's would. */
public abstract class ApiCalls extends AppTest {

    @Autowired
    private MockMvc mvc;

    @Autowired
    private ObjectMapper json;

    private String token;

    /** Status and body of an answer. */
    protected record Answer(int status, JsonNode body) {}

    @BeforeEach
    void makeToken() {
        token = shop.token(Role.OWNER);
        shop.as("keeper");
    }

    protected Answer get(String path) throws Exception {
        return answer(MockMvcRequestBuilders.get(path));
    }

    protected Answer post(String path, String body) throws Exception {
        return answer(MockMvcRequestBuilders.post(path)
                .contentType(MediaType.APPLICATION_JSON)
                .content(body));
    }

    private Answer answer(MockHttpServletRequestBuilder request) throws Exception {
        SecurityContextHolder.clearContext();
        MockHttpServletResponse response = mvc.perform(request.header("Authorization", "Bearer " + token))
                .andReturn()
                .getResponse();
        shop.as("keeper");
        String body = response.getContentAsString();
        return new Answer(response.getStatus(), body.isEmpty() ? null : json.readTree(body));
    }
}
