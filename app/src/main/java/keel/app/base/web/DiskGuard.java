package keel.app.base.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Set;
import keel.app.base.DiskFull;
import keel.app.base.DiskRoom;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Refuses to write while the disk is nearly full; looking goes on. */
@Component
class DiskGuard implements HandlerInterceptor, WebMvcConfigurer {

    private static final Set<String> LOOKS = Set.of("GET", "HEAD", "OPTIONS");

    private final DiskRoom room;

    DiskGuard(DiskRoom room) {
        this.room = room;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    /** @throws DiskFull before anything is done */
    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (!LOOKS.contains(request.getMethod())) {
            room.require();
        }
        return true;
    }
}
