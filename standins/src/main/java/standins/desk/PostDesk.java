package standins.desk;

import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseBody;
import standins.post.PostOffice;

/// Where the mail that came is read.
@Controller
class PostDesk {
    private final PostOffice office;

    PostDesk(PostOffice office) {
        this.office = office;
    }

    @GetMapping("/post")
    String letters(Model model) {
        model.addAttribute("letters", office.letters());
        return "post";
    }

    @GetMapping("/post/letters")
    @ResponseBody
    List<PostOffice.Letter> all() {
        return office.letters();
    }

    @GetMapping("/post/{no}/{which}")
    ResponseEntity<byte[]> enclosed(@PathVariable int no, @PathVariable int which) {
        PostOffice.Content content = office.enclosed(no, which);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(content.type()))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(content.name())
                                .build()
                                .toString())
                .body(content.bytes());
    }
}
