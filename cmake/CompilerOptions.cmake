# One target carries the warnings and sanitizers every library of ours is built with.
add_library(wl_options INTERFACE)
target_compile_options(wl_options INTERFACE -Wall -Wextra -Wshadow -Wnon-virtual-dtor)
# GCC 12 warns wrongly inside std::string concatenation (GCC bugs 105651, 105329).
target_compile_options(wl_options INTERFACE $<$<CXX_COMPILER_ID:GNU>:-Wno-restrict$<SEMICOLON>-Wno-stringop-overflow$<SEMICOLON>-Wno-array-bounds>)
if(CMAKE_UNITY_BUILD)
  # Files of a room joined for speed look to the compiler like headers, whose hidden parts would differ.
  target_compile_options(wl_options INTERFACE $<$<CXX_COMPILER_ID:GNU>:-Wno-subobject-linkage>)
  # And names two files of a room both give to something of their own, to one another's.
  target_compile_options(wl_options INTERFACE $<$<CXX_COMPILER_ID:Clang>:-Wno-shadow>)
endif()
# GCC looks for what it no longer needs when its heap is past 1 GB, not at each third it grows by: a
# twentieth of the build's time for a fifth more memory.
target_compile_options(wl_options INTERFACE $<$<CXX_COMPILER_ID:GNU>:SHELL:--param$<SEMICOLON>ggc-min-heapsize=1000000>)
# Same design, same bytes: no fused multiply-adds that differ between machines of one kind.
target_compile_options(wl_options INTERFACE -ffp-contract=off)
if(WL_WARNINGS_AS_ERRORS)
  target_compile_options(wl_options INTERFACE -Werror)
endif()
if(WL_SANITIZE)
  # GCC 12 warns wrongly inside std::regex when sanitizing (GCC bug 105562).
  target_compile_options(wl_options INTERFACE $<$<CXX_COMPILER_ID:GNU>:-Wno-maybe-uninitialized>)
  target_compile_options(wl_options INTERFACE -fsanitize=${WL_SANITIZE} -fno-omit-frame-pointer
                         -fno-sanitize-recover=all)
  if(WL_SANITIZE MATCHES "undefined")
    # A check at every use of every pointer, and at every step of one, doubles the build and finds what
    # the address sanitizer stops at as well.
    target_compile_options(wl_options INTERFACE
                           -fno-sanitize=null,alignment,vptr,object-size,pointer-overflow)
    # What provably stays in its own variable on the stack is not watched.
    target_compile_options(wl_options INTERFACE
                           $<$<CXX_COMPILER_ID:Clang>:SHELL:-mllvm$<SEMICOLON>-asan-use-stack-safety=1>)
  endif()
  target_link_options(wl_options INTERFACE -fsanitize=${WL_SANITIZE})
endif()

# Headers nearly every file of a room reads are parsed once a room: half the time of a fresh build.
set(WL_CORE_HEADERS <Eigen/Geometry> <algorithm> <cmath> <functional> <memory> <optional> <string>
                    <vector>)

# What reckons nothing itself is optimised little, and not at all under the sanitizers: it is built in
# half the time, and does what it does in Qt's own code or in the rooms that reckon. At -Og it is built
# in four fifths of the time of -O1, and a drag takes what it took; rooms of the core, whose vectors are
# Eigen's, take half as long again at -Og, and have -O1.
function(wl_built_soon name level)
  if(WL_SANITIZE)
    target_compile_options(${name} PRIVATE -O0)
  else()
    target_compile_options(${name} PRIVATE $<$<CONFIG:Release>:${level}>)
  endif()
endfunction()

function(wl_library name)
  add_library(${name} STATIC ${ARGN})
  target_link_libraries(${name} PUBLIC wl_options)
  target_include_directories(${name} PUBLIC ${PROJECT_SOURCE_DIR}/src)
  set_property(GLOBAL APPEND PROPERTY WL_LIBRARIES ${name})
  if(WL_ROOM_RECKONS)
    set_property(GLOBAL APPEND PROPERTY WL_CORE_LIBRARIES ${name})
  endif()
  if(NOT WL_ROOM_RECKONS)
    wl_built_soon(${name} -Og)
  endif()
endfunction()

# A library whose objects speak by signals: what moc makes of a header is read at the end of the file
# beside it, and not by a file of all headers once more.
function(wl_signals name)
  set_target_properties(${name} PROPERTIES AUTOMOC ON AUTOMOC_COMPILER_PREDEFINES OFF
                        AUTOMOC_EXECUTABLE ${PROJECT_BINARY_DIR}/moc_alone.sh)
  # The file of what no file reads is empty then: reading precompiled headers for it took two seconds.
  set_source_files_properties(${CMAKE_CURRENT_BINARY_DIR}/${name}_autogen/mocs_compilation.cpp
                              PROPERTIES SKIP_PRECOMPILE_HEADERS ON)
endfunction()

# What no sanitizer watches is compiled once, in ./test's tree, and linked from there in theirs: gives
# the objects of the sources, and the target they are compiled by where this tree compiles them. Cases
# that start threads of their own are watched for these.
function(wl_compiled_once name objects)
  set(list ${WL_UNWATCHED_OF}/unwatched/${name}.txt)
  if(WL_UNWATCHED_OF AND EXISTS ${list} AND NOT (WL_SANITIZE MATCHES thread AND name MATCHES _cases$))
    file(STRINGS ${list} found REGEX "\\.o$")  # and no precompiled headers
    set_property(DIRECTORY APPEND PROPERTY CMAKE_CONFIGURE_DEPENDS ${list})
    set_source_files_properties(${found} PROPERTIES EXTERNAL_OBJECT TRUE)
  else()
    add_library(${name} OBJECT ${ARGN})
    if(WL_SANITIZE MATCHES address)
      target_compile_options(${name} PRIVATE -fno-sanitize=all)
    endif()
    file(GENERATE OUTPUT ${PROJECT_BINARY_DIR}/unwatched/${name}.txt
         CONTENT "$<JOIN:$<TARGET_OBJECTS:${name}>,\n>\n")
    set(found $<TARGET_OBJECTS:${name}>)
  endif()
  set(${objects} ${found} PARENT_SCOPE)
endfunction()
