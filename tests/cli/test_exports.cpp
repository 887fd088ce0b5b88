// Files for paper and machines, read back by other programs.
#include <fstream>
#include <locale>
#include <nlohmann/json.hpp>
#include <sstream>

#include "cli/cli_run.h"
#include "core/reckon/evaluate.h"
#include "core/shape/edit_body.h"
#include "files/design_file.h"
#include "files/solid_file.h"
#include "files/whole_file.h"
#include "support/programs.h"
#include "support/thorough.h"

using namespace wl::test;

namespace {

// What another program printed; it has to end well.
std::string said(const std::string& command) {
    FILE* pipe = popen((command + " 2>&1").c_str(), "r");
    REQUIRE(pipe != nullptr);
    std::array<char, 4096> buffer{};
    std::string out;
    while (size_t n = fread(buffer.data(), 1, buffer.size(), pipe)) {
        out.append(buffer.data(), n);
    }
    INFO(out);
    REQUIRE(WEXITSTATUS(pclose(pipe)) == 0);
    return out;
}

// What admesh 0.98 finds in an STL: mm3, and faces whose neighbours it does not find.
struct Measured {
    double volume = 0;
    int loose = 0;
};
Measured admesh(const std::string& stl) {
    // It writes nothing and mends nothing: no step but the look for neighbours.
    const std::string out = said("LC_ALL=C admesh --no-check --exact --normal-values " + stl);
    Measured m;
    const auto numberAfter = [&out](const std::string& label, size_t from) {
        const size_t at = out.find(label, from);
        REQUIRE(at != std::string::npos);
        std::istringstream number(out.substr(out.find(':', at) + 1));
        number.imbue(std::locale::classic());
        double value = 0;
        number >> value;
        return value;
    };
    m.volume = numberAfter("Volume", out.find("Number of parts"));
    for (const char* edges : {"1 disconnected", "2 disconnected", "3 disconnected"}) {
        m.loose += int(numberAfter(std::string("Facets with ") + edges, 0));
    }
    return m;
}

}  // namespace

TEST_CASE("templates are exported at true scale, read back by other programs") {
    const std::string here = folder().string();
    const std::string bait = here + "/glide-bait.wade";
    REQUIRE(run("demo glide-bait -o " + bait).exit == 0);
    const nlohmann::json report = nlohmann::json::parse(run("report " + bait + " --json").out);
    const std::string dxf = here + "/templates.dxf", svg = here + "/templates.svg";
    REQUIRE(run("export " + bait + " -o " + dxf).exit == 0);
    // ezdxf of Debian 12 (0.18.1): sound, in millimetres, the side's outline as long as the bait.
    const std::string read =
        "/usr/bin/python3 -c \"import ezdxf; d = ezdxf.readfile('" + dxf +
        "'); side = next(e for e in d.modelspace() if e.dxf.layer == 'body'); "
        "xs = [p[0] for p in side.get_points()]; "
        "print(len(d.audit().errors), d.units, max(xs) - min(xs), "
        "len([e for e in d.modelspace() if e.dxf.layer == 'saw lines']))\" 2>&1";
    FILE* pipe = popen(read.c_str(), "r");
    REQUIRE(pipe != nullptr);
    std::array<char, 4096> said{};
    const size_t n = fread(said.data(), 1, said.size() - 1, pipe);
    INFO(std::string(said.data(), n));
    REQUIRE(WEXITSTATUS(pclose(pipe)) == 0);
    std::istringstream words(std::string(said.data(), n));
    words.imbue(std::locale::classic());
    int errors = -1, units = 0, saws = 0;
    double length = 0;
    words >> errors >> units >> length >> saws;
    CHECK(errors == 0);
    CHECK(units == 4);
    CHECK(length == Approx(report["body"]["length_mm"].get<double>()));
    CHECK(saws == 8);  // two faces and two bevels from the side, four bevels from above
    REQUIRE(run("export " + bait + " -o " + svg).exit == 0);
    std::ifstream in(svg);
    const std::string text((std::istreambuf_iterator<char>(in)), {});
    CHECK(text.find("mm\" height=") != std::string::npos);
    // Python's own XML reader: width over viewBox is the scale, the longest outline the bait's
    // side.
    std::ofstream(here + "/svg.py") << R"(
import re, sys, xml.etree.ElementTree as tree
root = tree.parse(sys.argv[1]).getroot()
mm = float(root.get('width')[:-2]) / float(root.get('viewBox').split()[2])
longest = 0.0
def walk(node, scale):
    global longest
    turned = re.match(r'matrix\(([-0-9.e]+),0,0,([-0-9.e]+)', node.get('transform') or '')
    scale *= float(turned.group(1)) if turned else 1.0
    if node.tag.endswith('path') and 'Z' not in (node.get('d') or '')[:-1]:
        xs = [float(x) for x in re.findall(r'([-0-9.e]+),[-0-9.e]+', node.get('d'))]
        if len(xs) > 20:  # an outline, no rule or axis
            longest = max(longest, (max(xs) - min(xs)) * scale * mm)
    for child in node:
        walk(child, scale)
walk(root, 1.0)
print(longest)
)";
    std::istringstream longest(::said("/usr/bin/python3 " + here + "/svg.py " + svg));
    longest.imbue(std::locale::classic());
    double side_mm = 0;
    longest >> side_mm;
    CHECK(side_mm == Approx(report["body"]["length_mm"].get<double>()).margin(0.1));
    const Outcome other = run("export " + bait + " -o " + here + "/templates.png");
    CHECK(other.exit == 2);
    CHECK_FALSE(std::filesystem::exists(here + "/templates.png"));
    CHECK(run("export " + bait + " -o /no/such/folder/x.dxf").exit == 2);
    const std::string stl = here + "/body.stl";
    REQUIRE(run("export " + bait + " -o " + stl).exit == 0);
    const auto pieces = wl::loadSolid(stl);
    REQUIRE(pieces.ok());
    double length_mm = 0;
    for (const Eigen::Vector3d& v : pieces->vertices_m) {
        length_mm = std::max(length_mm, v.x());
    }
    CHECK(length_mm ==
          Approx(1e3 * wl::overallSize(wl::loadDesign(bait)->body).length_m).epsilon(1e-3));
    // A sheet is no drawing, and a drawing's name no sheet's.
    CHECK(run("sheet " + bait + " -o " + here + "/sheet.svg").exit == 2);
    CHECK_FALSE(std::filesystem::exists(here + "/sheet.svg"));
    // No room for the working file: told, and the file of before is whole.
    const auto size = std::filesystem::file_size(dxf);
    CHECK(WEXITSTATUS(std::system(("bash -c 'trap \"\" XFSZ; ulimit -f 8; " + std::string(kCli) +
                                   " export " + bait + " -o " + dxf + "' > /dev/null 2>&1")
                                      .c_str())) == 2);
    CHECK(std::filesystem::file_size(dxf) == size);
}

TEST_CASE("solids are whole for other programs: pieces, halves, a mould, with holes and without") {
    const std::string here = folder().string();
    for (const char* demo : {"glide-bait", "diver", "lipless"}) {
        if (!wl::test::kThorough && demo != std::string("glide-bait")) {
            continue;  // minutes of exact arithmetic each
        }
        INFO(demo);
        const std::string bait = here + "/" + demo + ".wade";
        REQUIRE(run(std::string("demo ") + demo + " -o " + bait).exit == 0);
        const auto design = wl::loadDesign(bait);
        REQUIRE(design.ok());
        const auto derived = wl::evaluate(*design);
        REQUIRE(derived.ok());
        double drawn = 0, cut = 0;
        for (const wl::BodyPart& part : derived->shape->parts) {
            drawn += 1e9 * part.solid.volume_m3;
        }
        for (const wl::BoreGeometry& bore : derived->mass->bores) {
            cut += 1e9 * bore.removed_m3;
        }
        const auto exported = [&](const std::string& how) {
            const std::string stl = here + "/solid.stl";
            REQUIRE(run("export " + bait + " -o " + stl + how).exit == 0);
            return admesh(stl);
        };
        const Measured whole = exported(""), holed = exported(" --holes");
        CHECK(whole.loose == 0);
        CHECK(whole.volume == Approx(drawn).epsilon(5e-4));
        CHECK(holed.loose == 0);
        CHECK(holed.volume < whole.volume - cut * 0.98);
        const Measured halves = exported(" --solid halves"),
                       holedHalves = exported(" --solid halves --holes");
        CHECK(halves.loose == 0);
        CHECK(halves.volume == Approx(whole.volume).epsilon(1e-5));
        CHECK(holedHalves.volume == Approx(holed.volume).epsilon(1e-4));
        const Measured mould = exported(" --solid mould");
        CHECK(mould.loose == 0);
        Eigen::AlignedBox3d box;
        for (const wl::BodyPart& part : derived->shape->parts) {
            for (const Eigen::Vector3d& v : part.mesh.vertices_m) {
                box.extend(1e3 * v);
            }
        }
        const Eigen::Vector3d wall = Eigen::Vector3d::Constant(2e3 * design->make.mould.wall_m);
        const double block = (box.sizes() + wall).prod();
        // Spouts, vents and cores are what is left: some of it, and little beside the bait.
        const double channels = block - mould.volume - drawn;
        CHECK(channels > 0);
        CHECK(channels < 0.25 * drawn);
        // 3MF: a package of objects in XML, read by Python's own zipfile and ElementTree.
        const std::string package = here + "/solid.3mf";
        REQUIRE(run("export " + bait + " -o " + package + " --solid halves --holes").exit == 0);
        std::istringstream words(
            said("/usr/bin/python3 -c \"import zipfile,xml.etree.ElementTree as E\n"
                 "r=E.fromstring(zipfile.ZipFile('" +
                 package +
                 "').read('3D/3dmodel.model'))\n"
                 "n=r.tag.split('}')[0]+'}'\nv=0.0\n"
                 "for m in r.iter(n+'mesh'):\n"
                 " p=[[float(a.get(k)) for k in 'xyz'] for a in m.iter(n+'vertex')]\n"
                 " for t in m.iter(n+'triangle'):\n"
                 "  a,b,c=[p[int(t.get(k))] for k in ('v1','v2','v3')]\n"
                 "  "
                 "v+=(a[0]*(b[1]*c[2]-b[2]*c[1])+a[1]*(b[2]*c[0]-b[0]*c[2])+a[2]*(b[0]*c[1]-b[1]*c["
                 "0]))/6\n"
                 "print(v,r.get('unit'),len(list(r.iter(n+'object'))))\""));
        words.imbue(std::locale::classic());
        double volume = 0;
        std::string unit;
        size_t objects = 0;
        words >> volume >> unit >> objects;
        CHECK(volume == Approx(holed.volume).epsilon(1e-4));
        CHECK(unit == "millimeter");
        CHECK(objects >= 2);
    }
}

TEST_CASE("what is to port stays on the left, and the sheet is exported by its ending") {
    const std::string here = folder().string();
    const std::string bait = here + "/marked.wade";
    REQUIRE(run("demo diver -o " + bait).exit == 0);
    wl::Design d = wl::loadDesign(bait).value();
    d.bores.resize(1);
    d.bores[0].y_m = 0.004;  // to port
    d.features.clear();
    d.fittings.clear();
    d.tie = {};
    REQUIRE_FALSE(wl::writeWholeFile(bait, wl::writeDesign(d)));
    const std::string stl = here + "/marked.stl", pdf = here + "/marked.pdf";
    const auto middle = [&](const std::string& how) {
        REQUIRE(run("export " + bait + " -o " + stl + how).exit == 0);
        const auto solid = wl::loadSolid(stl);
        REQUIRE(solid.ok());
        return wl::measureVolume(*solid).centroid_m.y();
    };
    // Nose ahead and back up, the left is where x cross z points in a right-handed file: -y. Stock
    // taken there moves the middle to the right.
    CHECK(middle("") == Approx(0).margin(1e-3));
    CHECK(middle(" --holes") > 0.05);
    REQUIRE(run("export " + bait + " --letter -o " + pdf).exit == 0);
    CHECK(said("pdfinfo " + pdf).find("792 x 612 pts (letter)") != std::string::npos);
    CHECK(run("export " + bait + " --solid quarters -o " + stl).exit == 2);
}

TEST_CASE("STEP is read by its own text: closed, to scale, with the volume of the STL") {
    const std::string here = folder().string();
    const std::string bait = here + "/step-diver.wade", step = here + "/halves.step",
                      stl = here + "/halves.stl";
    REQUIRE(run("demo diver -o " + bait).exit == 0);
    const auto made = run("export " + bait + " --solid halves -o " + step);
    if (made.exit != 0) {  // an option of the build
        CHECK(made.out.find("without STEP") != std::string::npos);
        return;
    }
    REQUIRE(run("export " + bait + " --solid halves -o " + stl).exit == 0);
    // Part 21 of ISO 10303 read without any library: every face's corners in their order.
    std::ofstream(here + "/step.py") << R"(
import re, sys
text = open(sys.argv[1]).read()
items = {k: v for k, v in re.findall(r'#(\d+)\s*=\s*(.*?);', text, re.S)}
refs = lambda t: re.findall(r'#(\d+)', t)
def point(vertex):
    at = refs(items[vertex])[0]
    return tuple(float(x) for x in re.search(r'\(([^()]*)\)\s*\)', items[at]).group(1).split(','))
def ends(edge):
    turned = not items[edge].rstrip(')').strip().endswith('.T.')
    curve = refs(items[edge])[0]
    a, b = refs(items[curve])[:2]
    return (b, a) if turned else (a, b)
volume, edges = 0.0, {}
for key, text in items.items():
    if not text.startswith('ADVANCED_FACE'):
        continue
    bound = refs(text)[0]
    loop = refs(items[bound])[0]
    pairs = [ends(e) for e in refs(items[loop])]
    if '.F.' in items[bound]:
        pairs = [(b, a) for a, b in reversed(pairs)]
    for pair in pairs:
        edges[pair] = edges.get(pair, 0) + 1
    (a, b, c) = [point(p[0]) for p in pairs]
    volume += (a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0])
               + a[2] * (b[0] * c[1] - b[1] * c[0])) / 6
loose = sum(n != edges.get((b, a), 0) for (a, b), n in edges.items())
print(abs(volume), loose, 'MILLI' in open(sys.argv[1]).read())
)";
    std::istringstream words(said("/usr/bin/python3 " + here + "/step.py " + step));
    words.imbue(std::locale::classic());
    double volume = 0;
    int loose = -1;
    std::string milli;
    words >> volume >> loose >> milli;
    CHECK(loose == 0);
    CHECK(milli == "True");
    CHECK(volume == Approx(admesh(stl).volume).epsilon(1e-5));
}

TEST_CASE("a log is told of, found in, and turned into the other form") {
    const std::string here = folder().string();
    const std::string csv = here + "/log.csv", json = here + "/log.json";
    std::ofstream(csv) << "what,id,bait,family,date,place,outing,kind,low_si,high_si,reckoned_si\n"
                          "bait,1,Reed diver,in_line_lip_stout,,,,,,,\n"
                          "outing,1,,,2026-05-01,weir,,,,,\n"
                          "note,1,Reed diver,,,,1,depth,2.1,2.1,2.4\n"
                          "note,2,Reed diver,,,,1,catch,,,\n";
    REQUIRE(run("log " + csv + " -o " + json).exit == 0);
    const auto answer =
        nlohmann::json::parse(run("log " + json + " --kind depth --deeper 6ft").out);
    REQUIRE(answer["found"].size() == 1);
    CHECK(answer["found"][0]["low_m"] == 2.1);
    CHECK(answer["factors"][0]["readings"] == 1);
    CHECK(run("log " + json + " --kind hats").exit == 2);
    CHECK(run("log " + here + "/none.csv").exit == 2);
    std::ofstream(csv) << "what,hat\n";
    CHECK(run("log " + csv).out.find("hat") != std::string::npos);
}
