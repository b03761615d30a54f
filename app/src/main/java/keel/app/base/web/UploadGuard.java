package keel.app.base.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import keel.app.base.PhotoLimits;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Sliced files may be large; all else that is sent as a file is refused before it is read where it is too large. */
@Component
class UploadGuard implements HandlerInterceptor, WebMvcConfigurer {

    private static final long MOST_BYTES = PhotoLimits.MOST_BYTES + 5L * 1024 * 1024;

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    /** @throws MaxUploadSizeExceededException before anything is read */
    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (request.getContentLengthLong() > MOST_BYTES
                && !LargeUploads.SLICED_FILES.contains(request.getRequestURI())) {
            throw new MaxUploadSizeExceededException(PhotoLimits.MOST_BYTES);
        }
        return true;
    }
}
